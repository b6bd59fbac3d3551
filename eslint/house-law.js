// The law of the house, read off the paths: who may import whom. See docs/house.md.
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('../', import.meta.url));

/** Floors of the core, lowest first. Where a list stands, a folder imports those before it alone; `null`: no folder imports another. */
const CORE = {
  ground: ['lists', 'quantity', 'field', 'job', 'notes', 'sources', 'finding', 'facts'],
  engines: [
    ...[
      'capture',
      'trace',
      'sky',
      'world',
      'supply',
      'electrics',
      'apart',
      'mechanics',
      'reversing',
      'signal',
      'tap',
      'scan',
      'parts',
    ],
    ...['circuit', 'standin', 'net', 'rehearsal'],
  ],
  build: ['ends', 'drawing', 'lines', 'panel', 'times', 'rules', 'program', 'ways', 'wiring', 'whole'],
  rooms: null,
  house: [],
};
/** Floors of the app, lowest first; those in one bracket know nothing of each other. */
const APP = [['kit'], ['workers'], ['store'], ['ui'], ['rooms', 'shelf'], ['shell']];

const floorsOfCore = Object.keys(CORE);
const floorOfApp = (name) => APP.findIndex((names) => names.includes(name));

/** Where an import ends, from the root; null for packages. */
const target = (file, specifier) =>
  specifier.startsWith('.') ? relative(root, join(dirname(file), specifier)).split('/') : null;

/** Core: a floor imports floors below it, a folder those before it, each by its index. */
function wrongInCore([, floor, folder], [, toFloor, toFolder, ...inside]) {
  const [from, to] = [floorsOfCore.indexOf(floor), floorsOfCore.indexOf(toFloor)];
  if (from < 0 || to < 0) return toFloor === 'testing' && floor !== 'testing' ? 'testing is for tests' : null;
  if (to > from) return `${floor} stands below ${toFloor}`;
  const same = to === from;
  if (same && (floor === 'house' || folder === toFolder)) return null;
  if (inside.length > 0) return `enter ${toFolder} by its index`;
  if (!same) return null;
  const order = CORE[floor];
  if (!order) return `${folder} is a room: it knows no other room`;
  return order.indexOf(toFolder) < order.indexOf(folder) ? null : `${folder} stands below ${toFolder}`;
}

/** App: a floor imports floors below it; a room its own files and its own room of the core. */
function wrongInApp([, floor, folder], to) {
  if (to[0] === 'core') {
    if (floor === 'kit' && !(to[1] === 'ground' && ['quantity', 'field'].includes(to[2])))
      return 'the kit stands on what the core says of numbers and fields';
    if (to.length > 4 || (to.length > 3 && to[1] !== 'house')) return `enter ${to[2]} by its index`;
    return floor === 'rooms' && to[1] === 'rooms' && to[2] !== folder ? `${folder} knows no other room` : null;
  }
  if (to[0] !== 'app' || to.length < 3) return null;
  if (floor === 'workers' && to[1] !== 'workers') return 'a worker knows the core alone';
  if (floorOfApp(to[1]) > floorOfApp(floor)) return `${floor} stands below ${to[1]}`;
  if (to[1] !== floor && floorOfApp(to[1]) === floorOfApp(floor))
    return `${floor} and ${to[1]} know nothing of each other`;
  return floor === 'rooms' && to[1] === 'rooms' && to[2] !== folder ? `${folder} knows no other room` : null;
}

/** What is wrong with an import; null where nothing is. */
export function wrongImport(file, specifier) {
  const from = relative(root, file).split('/');
  const to = target(file, specifier);
  if (!to || /\.spec\.ts$/.test(file)) return null;
  if (from.includes('versions') && !to.includes('versions'))
    return 'a step between versions holds its own values: it must not follow what today begins with';
  if (from[0] === 'core') return to[0] === 'core' ? wrongInCore(from, to) : 'the core stands by itself';
  return from[0] === 'app' && from.length > 2 ? wrongInApp(from, to) : null;
}

const imports = {
  meta: { type: 'problem', schema: [] },
  create(context) {
    const see = (node) => {
      const wrong = typeof node.source?.value === 'string' && wrongImport(context.filename, node.source.value);
      if (wrong) context.report({ node: node.source, message: wrong });
    };
    return { ImportDeclaration: see, ExportNamedDeclaration: see, ExportAllDeclaration: see, ImportExpression: see };
  },
};
export default { rules: { imports } };
