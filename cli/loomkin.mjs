#!/usr/bin/env node
// The command line. It works from a clone after `npm ci`, without a build; tests ask for the built one, which begins sooner.
const { main } = process.env.LOOM_KIN_BUILT === 'yes' ? await import('./dist/main.mjs') : await fromSource();
process.exitCode = await main(process.argv.slice(2));

async function fromSource() {
  const { register } = await import('tsx/esm/api');
  register();
  return import('./src/main.ts');
}
