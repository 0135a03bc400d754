/** Who may import whom. Read with the room READMEs under src/. */
const room = (name) => `^src/${name}/`;
const only = (name, allowed) => ({
  name: `${name}-imports-only-${allowed.join('-') || 'itself'}`,
  severity: 'error',
  from: { path: room(name), pathNot: '\\.test\\.tsx?$' },
  to: { path: '^src/', pathNot: [name, ...allowed].map(room) },
});
const never = (name, from, to) => ({
  name,
  severity: 'error',
  from: { path: from, pathNot: '(\\.test\\.ts$|/testing/)' },
  to: { path: to },
});

/** The rooms of the studio from the ground up: none imports from one above it. */
const STUDIO = [
  ...['store', 'surface', 'lights', 'tools', 'commands', 'controls', 'shelf', 'wiring', 'revisions'],
  ...['stage', 'dayline'],
  ...['elevation', 'desk', 'relief', 'art', 'handoff', 'shell'],
];
const notUpward = STUDIO.slice(0, -1).map((name, i) =>
  never(
    `studio-${name}-imports-nothing-above-it`,
    `^src/studio/${name}/`,
    `^src/studio/((${STUDIO.slice(i + 1).join('|')})/|benches)`,
  ),
);

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    { name: 'resolvable', severity: 'error', from: {}, to: { couldNotResolve: true } },
    only('core', []),
    only('gpu', ['core']),
    only('workers', ['core']),
    only('cli', ['core']),
    only('ready', ['core']),
    only('demo', ['core', 'ready']),
    only('studio', ['core', 'gpu', 'workers', 'ready']),
    only('server', ['core', 'demo']),
    only('app', ['studio', 'server', 'core']),
    never('core-is-pure', '^src/core/', '^(node_modules/(react|next|mysql2|pino|zustand)/|node:|fs$|path$)'),
    never(
      'raster-and-geometry-are-the-ground',
      '^src/core/(raster|geometry)/',
      '^src/core/(?!raster|geometry|limits|faults|remembered|same-items)',
    ),
    // What a light can be is said by its kinds; of what a Moment is otherwise the document knows nothing.
    never('scene-knows-no-renderer', '^src/core/scene/', '^src/core/(light|moment/(?!light-kinds/))'),
    never('kinds-know-no-scene', '^src/core/(moment/light-kinds|time/wicks|finish)/', '^src/core/scene/'),
    never('light-knows-no-scene', '^src/core/light/', '^src/core/(scene|time)/'),
    ...notUpward,
    never(
      'store-and-tools-know-no-react',
      '^src/studio/(store|lights|tools|commands)/',
      '^node_modules/(react|react-dom|@headlessui)/',
    ),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.json', '.css'],
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
