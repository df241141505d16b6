// The order of the house: a folder may import from those below it, and from none above or beside it. `npm run lint` holds it.
// Each line of a table is one floor, the top one first; a floor in brackets holds folders that do not know each other.
const FLOORS = {
  'core/src': [
    ['wire'],
    ['reports'],
    ['readback'],
    ['publish'],
    ['ground'],
    ['bring-in'],
    ['carry-over'],
    ['reach', 'audit'],
    ['steps'],
    ['repair'],
    ['edits'],
    ['reader'],
    ['manuscript'],
    ['destination'],
    ['shelf', 'cleaning'],
    ['page', 'pdfium'],
    ['language'],
  ],
  'core/src/publish': [['epub', 'web', 'pdf', 'docx', 'odt', 'markdown'], ['markup'], ['edition']],
  'core/src/bring-in': [
    ['bring-in.ts'],
    ['epub', 'html', 'docx', 'odt', 'markdown'],
    ['page'],
    ['flow'],
    ['book'],
  ],
  'server/src': [
    ['main.ts', 'demo.ts'],
    ['demo-books.ts'],
    ['run.ts'],
    ['app.ts'],
    ['checks', 'publishing', 'bring-in', 'carry-over'],
    ['reports', 'ground'],
    ['books'],
    ['shelf'],
    ['probe', 'typesetting'],
    ['jobs'],
    ['platform'],
    ['database'],
  ],
  'web/src': [
    ['main.tsx'],
    ['write', 'library', 'register', 'shelf', 'publish', 'about', 'versions'],
    ['frame'],
    ['margin', 'outline', 'mentions', 'find'],
    ['slips'],
    ['leads-to'],
    ['findings', 'follow', 'choices'],
    ['editor'],
    ['book'],
    ['api'],
    ['parts'],
  ],
  'web/src/editor': [
    ['create-state.ts', 'note-editor.ts'],
    ['keys.ts'],
    ['views', 'plugins'],
    ['changes'],
    ['going'],
    ['state'],
  ],
};

/** Whole packages: whom each may know. */
const PACKAGES = {
  core: [],
  world: [],
  client: ['core'],
  web: ['core', 'client'],
  server: ['core', 'client', 'world'],
  e2e: ['core', 'client', 'server'],
  bench: ['core', 'client', 'server', 'world'],
};

const escaped = (text) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
const within = (root, names) =>
  names.map((name) => `^${escaped(root)}/${escaped(name)}${name.includes('.') ? '$' : '/'}`);

/** Folders of tests and what tests are made of may look into any floor. */
const TESTS = String.raw`\.test\.tsx?$|/testing/`;

const floorRules = Object.entries(FLOORS).flatMap(([root, floors]) =>
  floors.flatMap((floor, index) => {
    const above = floors.slice(0, index).flat();
    return floor
      .map((name) => ({ name, others: [...above, ...floor.filter((one) => one !== name)] }))
      .filter(({ others }) => others.length > 0)
      .map(({ name, others }) => ({
        name: `floors of ${root}: ${name}`,
        severity: 'error',
        comment: `${name} may not import from ${others.join(', ')}`,
        from: { path: within(root, [name]), pathNot: TESTS },
        to: { path: within(root, others) },
      }));
  }),
);

const packageRules = Object.entries(PACKAGES).map(([name, known]) => ({
  name: `packages: ${name}`,
  severity: 'error',
  comment: `${name} may know ${known.join(', ') || 'no other part'}`,
  from: { path: `^${name}/` },
  to: {
    path: `^(?:${Object.keys(PACKAGES)
      .filter((one) => one !== name && !known.includes(one))
      .join('|')})/`,
  },
}));

export default {
  forbidden: [
    {
      name: 'no circles',
      severity: 'error',
      comment: 'what two files need of each other belongs in a third',
      from: {},
      to: { circular: true },
    },
    {
      name: 'the stand-in world',
      severity: 'error',
      comment:
        'only the demo and the tests load it, so that in production every name is asked in the real network',
      from: { path: '^server/src/', pathNot: `${TESTS}|^server/src/demo[.]ts$` },
      to: { path: '^world/' },
    },
    {
      name: 'the client',
      severity: 'error',
      comment: 'the server is what the client talks to: only its tests talk to it too',
      from: { path: '^server/src/', pathNot: TESTS },
      to: { path: '^client/' },
    },
    ...floorRules,
    ...packageRules,
  ],
  options: {
    doNotFollow: { path: '(?:^|/)(?:dist|node_modules)/' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'default'],
    },
  },
};
