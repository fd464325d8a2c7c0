// `npm run bundle`: server, its workers, stand-in channels, demo loader and benchmarks as one plain JavaScript file each, in their
// dist folders. Packages stay outside. Run from source by tsx they work as well, but every function then carries its name along,
// which costs a third of the speed.
import { build } from 'esbuild';

/** Everything that is not ours is left to Node. */
const packagesOutside = {
  name: 'packages-outside',
  setup: ({ onResolve }) =>
    onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
      kind === 'entry-point' || path.startsWith('@loom-kin/') ? undefined : { path, external: true },
    ),
};

const programs = {
  'server/dist/main.mjs': 'server/src/main.ts',
  'server/dist/fit-worker.mjs': 'server/src/fits/worker.ts',
  'server/dist/file-worker.mjs': 'server/src/fileWorker/worker.ts',
  'server/dist/picture-worker.mjs': 'server/src/pictures/worker.ts',
  'server/dist/write-worker.mjs': 'server/src/changes/worker.ts',
  'server/dist/checkpoint-worker.mjs': 'server/src/store/checkpointWorker.ts',
  'channels/dist/main.mjs': 'channels/src/main.ts',
  'cli/dist/main.mjs': 'cli/src/main.ts',
  'demo/dist/main.mjs': 'demo/src/main.ts',
  'bench/dist/main.mjs': 'bench/src/main.ts',
};
await Promise.all(
  Object.entries(programs).map(([outfile, entry]) =>
    build({
      entryPoints: [entry],
      outfile,
      bundle: true,
      platform: 'node',
      target: 'node20',
      format: 'esm',
      sourcemap: true,
      logLevel: 'warning',
      plugins: [packagesOutside],
    }),
  ),
);
