const layers = require('./layers.cjs');

/**
 * Imports run one way: web → contract → core, server → contract → core. Channels, demo and e2e know neither server
 * nor web.
 */
const only = (name, from, to, comment) => ({ name, severity: 'error', comment, from, to });

/** For each layer of a workspace: its rooms import from no room of the same layer but themselves, and from none above. */
const downwards = Object.entries(layers).flatMap(([workspace, ofWorkspace]) => {
  const path = (rooms) => `^${workspace}/src/(${rooms.join('|')})/`;
  const known = ofWorkspace.flat();
  return [
    only(
      `${workspace}-rooms-have-layers`,
      { path: `^${workspace}/src/(?!(${known.join('|')})/)[^/]+/` },
      {},
      'Give the room a layer in layers.cjs.',
    ),
    ...ofWorkspace.map((rooms, at) =>
      only(
        `${workspace}-downwards-from-${rooms.join('-')}`,
        { path: path(rooms) },
        { path: path(ofWorkspace.slice(at).flat()), pathNot: `^${workspace}/src/$1/` },
        'Rooms import from lower layers alone (layers.cjs).',
      ),
    ),
    only(
      `${workspace}-nothing-from-the-top`,
      { path: `^${workspace}/src/[^/]+/` },
      { path: `^${workspace}/src/[^/]+$` },
      'What starts the program is imported by nobody.',
    ),
  ];
});

module.exports = {
  forbidden: [
    ...downwards,
    only('no-circles', {}, { circular: true }, 'Two files that need each other are one file, or hide a third.'),
    only('core-is-alone', { path: '^core/src' }, { path: '^(contract|server|web|channels|demo|e2e|bench|cli)/' }),
    only('core-does-no-io', { path: '^core/src' }, { dependencyTypes: ['core'] }, 'Nothing of Node in the core.'),
    only(
      'core-has-few-libraries',
      { path: '^core/src' },
      {
        path: 'node_modules/(?!(immer|dequal|re2js|big\\.js|culori|zod|htmlparser2|@noble|@types)/)',
        dependencyTypes: ['npm'],
      },
    ),
    only(
      'sheets-on-core-alone',
      { path: '^sheets/src' },
      { path: '^(contract|server|web|channels|demo|e2e|bench|cli)/' },
    ),
    only(
      'contract-on-core-alone',
      { path: '^contract/src' },
      { path: '^(sheets|server|web|channels|demo|e2e|bench)/' },
    ),
    only('server-not-web', { path: '^server/src' }, { path: '^(web|channels|demo|e2e|bench)/' }),
    only('web-not-server', { path: '^web/src' }, { path: '^(sheets|server|channels|demo|e2e|bench)/' }),
    only(
      'channels-judge-for-themselves',
      { path: '^channels/src' },
      { path: '^(core|sheets|contract|server|web|demo|e2e|bench)/' },
      "The stand-ins check by their own code, so that the product's verdict is tested against somebody else's.",
    ),
    only('demo-through-the-api', { path: '^demo/src' }, { path: '^(sheets|server|web|channels|e2e|bench)/' }),
    only(
      'command-line-on-core-and-sheets',
      { path: '^cli/src' },
      { path: '^(contract|server|web|channels|demo|e2e|bench)/' },
    ),
    only('nobody-imports-tests', { path: '/src/' }, { path: '/test/' }),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|node_modules/(?!@loom-kin))' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'default'],
      extensions: ['.ts', '.js', '.vue', '.mjs'],
    },
  },
};
