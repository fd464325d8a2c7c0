/**
 * The rooms of each workspace in layers, the lowest first. A room imports from lower layers alone: never from its own and never upwards,
 * so that no two rooms need each other. docs/architecture.md draws them.
 */
module.exports = {
  core: [
    ['text', 'place'],
    ['refusal', 'measure', 'colour', 'size', 'stock', 'words'],
    ['difference', 'money', 'wording'],
    ['family'],
    ['identifiers'],
    ['bundles', 'labels'],
    ['registry'],
    ['pairing', 'pictures'],
    ['axes', 'rulebook', 'copies', 'export'],
    ['catalogue', 'change', 'listing'],
    ['fit', 'intake'],
    ['descriptions', 'gather'],
  ],
  server: [
    ['folders', 'input', 'threads'],
    ['store'],
    ['held', 'identifiers', 'jobs', 'journal', 'pictures', 'stock'],
    ['backup', 'families', 'fitQueue', 'labels', 'listFiles'],
    ['changes', 'channels', 'fits'],
    ['dispatch', 'files', 'pictureIntakes'],
    ['export', 'lists'],
    ['fileWorker', 'jobControls'],
    ['http'],
  ],
  web: [
    ['api', 'look', 'workers'],
    ['stores'],
    ['common', 'journal', 'numbers'],
    ['conditions', 'copies', 'dispatch', 'gather', 'grid', 'money', 'rulebook', 'shell', 'stock', 'wording'],
    ['board', 'channels', 'inspector', 'intake', 'pictures', 'setup'],
    ['weave'],
    ['families', 'fit'],
  ],
};
