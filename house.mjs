/*
 * The rooms of the house: every folder, what it is about, and which other rooms it may import from. The boundary rule
 * (`.dependency-cruiser.mjs`), README's map and the tables of docs/architecture.md are all made from this list; `./run docs`
 * writes the latter two, and `./run test boundaries` fails when a folder is missing here.
 *
 * A room with `uses` may import from itself, from what is in that list, and from nothing else beneath the same roof; a
 * name in the list means a room, or a file, beside it. Rooms without it are held by the rules between workspaces alone.
 */

/**
 * @typedef {{
 *   readonly path: string,
 *   readonly about: string,
 *   readonly uses?: readonly string[],
 * }} Room
 */

/** @type {readonly Room[]} */
export const house = [
  { path: 'core', about: 'the computation: no interface, no database, no network, no file system' },
  { path: 'core/src/words', about: 'what is said to people, in the language that was chosen', uses: [] },
  { path: 'core/src/mesh', about: 'triangles, and what is measured and found on them', uses: [] },
  { path: 'core/src/plane', about: 'points, curves and areas in a plane', uses: [] },
  {
    path: 'core/src/drawing',
    about: 'drawn figures in which relations hold: solved, dragged, and what is open or cannot be',
    uses: ['plane'],
  },
  { path: 'core/src/drawing/relations', about: 'one file for each kind of relation' },
  {
    path: 'core/src/surfaces',
    about: 'the cylinders, cones, spheres and tori that triangles stand for',
    uses: ['mesh', 'plane'],
  },
  {
    path: 'core/src/colours',
    about: 'the colours of filament that parts are wished in, from which height on, and together on a plate',
    uses: ['words'],
  },
  {
    path: 'core/src/edges',
    about: 'the edges of a solid: finding them, remembering them, rounding and sloping them',
    uses: ['mesh'],
  },
  {
    path: 'core/src/letters',
    about: 'which files the letters of some words are set from, in which script and direction',
    uses: ['words'],
  },
  {
    path: 'core/src/recipe',
    about: 'the schema of a recipe, its measures, sentences, edits and handles',
    uses: ['words', 'mesh', 'plane', 'drawing', 'edges', 'colours', 'letters'],
  },
  {
    path: 'core/src/recipe/offers',
    about: 'what can be added, by any word for it, and where a new step lands',
  },
  { path: 'core/src/recipe/handles', about: 'what of a step can be dragged, on the plan and on the solid' },
  { path: 'core/src/recipe/outlines', about: 'one file for each kind of outline' },
  {
    path: 'core/src/recipe/outlines/drawn',
    about: 'points and edges that are drawn, and the rules that hold between them',
  },
  {
    path: 'core/src/recipe/outlines/pieces',
    about: 'pieces that an outline is put together from: where they lie, how often, and how that is said',
  },
  { path: 'core/src/recipe/steps', about: 'one file for each kind of step' },
  {
    path: 'core/src/design',
    about: 'the parts of a project, the measures they share, and what changed between two states',
    uses: ['words', 'recipe'],
  },
  { path: 'core/src/design/merge', about: 'what two people made of one project, in one' },
  {
    path: 'core/src/solid',
    about: 'recipe → solid; the only place that knows the geometry kernel',
    uses: ['words', 'mesh', 'plane', 'recipe', 'colours', 'letters'],
  },
  { path: 'core/src/solid/letters', about: 'words → the outlines of their letters' },
  { path: 'core/src/starters', about: 'complete recipes to begin from', uses: ['words', 'recipe'] },
  {
    path: 'core/src/inspect',
    about: 'solid + limits card → inspection',
    uses: ['words', 'mesh', 'plane', 'recipe', 'colours', 'machine'],
  },
  {
    path: 'core/src/inspect/result',
    about: 'what an inspection says: verdict, findings, units',
    uses: [],
  },
  { path: 'core/src/inspect/card', about: 'the limits card and its fields', uses: ['result'] },
  {
    path: 'core/src/inspect/measure',
    about: 'what is found on a solid: sections, holes, walls, ceilings',
    uses: ['result', 'card'],
  },
  {
    path: 'core/src/inspect/requirements',
    about: 'one file for each thing that a brief can ask',
    uses: ['result', 'card', 'measure'],
  },
  {
    path: 'core/src/inspect/checks',
    about: 'one file for each check',
    uses: ['result', 'card', 'measure', 'requirements'],
  },
  {
    path: 'core/src/explained',
    about: 'words of the trade, each explained with a small drawing',
    uses: ['words', 'inspect', 'recipe'],
  },
  {
    path: 'core/src/guide',
    about: 'prompts that lead through a brief',
    uses: ['words', 'recipe', 'inspect'],
  },
  { path: 'core/src/guide/conditions', about: 'one file for each way a prompt is ticked off' },
  {
    path: 'core/src/advise',
    about: 'remedies: edits of a recipe that were tried and mend what was found',
    uses: ['words', 'mesh', 'plane', 'letters', 'recipe', 'solid', 'inspect'],
  },
  { path: 'core/src/advise/kinds', about: 'one file for each kind of remedy' },
  {
    path: 'core/src/machine',
    about: 'what printers and materials are like; G-code of a sheet, checked and written',
    uses: ['words', 'recipe'],
  },
  {
    path: 'core/src/slice',
    about: 'solid + print settings → layers → toolpaths → G-code and estimate',
    uses: ['machine', 'words', 'mesh', 'plane', 'recipe', 'solid', 'colours'],
  },
  { path: 'core/src/slice/settings', about: 'print settings and sets of them', uses: [] },
  {
    path: 'core/src/slice/paths',
    about: 'paths of the nozzle, their order, seams and ways between',
    uses: ['settings'],
  },
  {
    path: 'core/src/slice/layers',
    about: 'what is laid in one layer: walls, fills, spans, skirt',
    uses: ['settings', 'paths'],
  },
  {
    path: 'core/src/slice/supports',
    about: 'what holds from below what hangs: where, straight or leaning, and what cannot be reached',
    uses: ['settings', 'paths', 'layers'],
  },
  { path: 'core/src/slice/motion', about: 'moves, and how long they take', uses: ['settings', 'paths'] },
  {
    path: 'core/src/slice/gcode',
    about: 'what the printer reads',
    uses: ['settings', 'paths', 'layers', 'motion'],
  },
  {
    path: 'core/src/plate',
    about: 'parts on a plate: footprints, places, one toolpath for all',
    uses: ['machine', 'mesh', 'plane', 'solid', 'slice'],
  },
  { path: 'core/src/weekPlan', about: 'the batches of all printers for the days to come', uses: [] },
  {
    path: 'core/src/sheet',
    about: 'a part as a drawing sheet: views, section, measures, title block',
    uses: ['words', 'mesh', 'plane', 'surfaces', 'colours', 'recipe'],
  },
  {
    path: 'core/src/format',
    about: 'reading and writing STL, 3MF and OBJ, and writing STEP and drawing sheets',
    uses: ['words', 'mesh', 'plane', 'surfaces', 'solid', 'colours', 'sheet'],
  },
  { path: 'core/src/format/step', about: 'solids bounded by true surfaces (ISO 10303-21)' },
  { path: 'core/src/format/svg', about: 'reading drawings, area by area' },
  { path: 'core/src/format/mending', about: 'making a surface that was read close' },
  { path: 'core/src/picture', about: 'a solid as a PNG picture', uses: ['mesh', 'colours'] },
  {
    path: 'core/src/document',
    about: 'the pages of docs/ that are made from the schema',
    uses: [
      'words',
      'mesh',
      'plane',
      'recipe',
      'solid',
      'starters',
      'surfaces',
      'sheet',
      'inspect',
      'advise',
      'picture',
    ],
  },
  { path: 'core/src/document/lessonObjects', about: 'what lessons make, for the cookbook; one file each' },
  { path: 'core/node', about: 'loads kernel and fonts for hosts that run on Node' },
  { path: 'core/assets/fonts', about: 'the fonts that letters are written with' },
  { path: 'core/test', about: 'solids and recipes that several tests stand on' },
  {
    path: 'core/test/failing',
    about: 'recipes that fail, each with what a teacher would change',
  },
  { path: 'core/test/witness', about: 'a second reading of what hangs, from G-code alone' },
  {
    path: 'core/test/wildParts',
    about: 'parts made by other means, each with what is known of it',
  },

  { path: 'app', about: 'the web application' },
  { path: 'app/src/routes', about: 'one folder a screen, grouped by who may enter' },
  { path: 'app/src/lib', about: 'the parts of the screens' },
  { path: 'app/src/lib/bench', about: 'the bench, where a part is designed' },
  {
    path: 'app/src/lib/bench/worker',
    about: 'what runs beside the page: building, inspecting, exporting',
    uses: [],
  },
  {
    path: 'app/src/lib/bench/state',
    about: 'what is designed and shown, its history and its saving',
    uses: ['worker'],
  },
  {
    path: 'app/src/lib/bench/hands',
    about: 'sizes and places that are dragged and typed on the solid itself',
    uses: ['plan', 'state'],
  },
  { path: 'app/src/lib/bench/plan', about: 'the drawing from above, with its handles', uses: ['state'] },
  {
    path: 'app/src/lib/bench/drawing',
    about: 'the sheet on which outlines are drawn, and what is asked of them',
    uses: ['plan', 'state'],
  },
  {
    path: 'app/src/lib/bench/dialogs',
    about: 'versions, examples, exports, conflicts',
    uses: ['state', 'worker'],
  },
  {
    path: 'app/src/lib/bench/recipe',
    about: 'the sentences, and tools for their steps',
    uses: ['state', 'worker', 'dialogs', 'beside'],
  },
  {
    path: 'app/src/lib/bench/beside',
    about: 'the solid of a recipe by itself, and parts beside each other',
    uses: ['state', 'worker'],
  },
  { path: 'app/src/lib/bench/recipe/offers', about: 'what can be added, each with its drawing' },
  {
    path: 'app/src/lib/bench/inspection',
    about: 'the checks, remedies, height ruler and section',
    uses: ['state', 'worker', 'plan'],
  },
  { path: 'app/src/lib/briefs', about: 'writing a brief' },
  { path: 'app/src/lib/guidance', about: 'prompts, for who writes them and who follows them' },
  { path: 'app/src/lib/handIn', about: 'handing in, and what came back' },
  { path: 'app/src/lib/lesson', about: 'who needs the teacher' },
  { path: 'app/src/lib/live', about: 'news, one stream for all tabs' },
  { path: 'app/src/lib/people', about: 'students, helpers, sign-in cards' },
  { path: 'app/src/lib/batch', about: 'a batch: laying, layers, starting' },
  { path: 'app/src/lib/batch/outcomes', about: 'what came of the parts of a batch' },
  { path: 'app/src/lib/weekPlan', about: 'the week of all printers, planned' },
  { path: 'app/src/lib/printroom', about: 'printers along the day, change of filament' },
  { path: 'app/src/lib/printroom/queue', about: 'what waits: found, grouped, chosen, put in order' },
  { path: 'app/src/lib/review', about: 'looking through hand-ins' },
  { path: 'app/src/lib/sharing', about: 'links to a part, and what they show' },
  { path: 'app/src/lib/task', about: 'the words of a brief, written and shown' },
  { path: 'app/src/lib/ui', about: 'components that several screens share' },
  { path: 'app/src/lib/ui/solidView', about: 'the solid, drawn' },
  { path: 'app/src/lib/ui/printedLines', about: 'the lines that a layer is printed in, drawn' },
  { path: 'app/src/lib/texts', about: 'the words that people read' },
  { path: 'app/src/lib/shared', about: 'what pages and server both do; knows neither' },
  { path: 'app/src/lib/shared/queue', about: 'rows of the queue, and which of them are looked at' },
  { path: 'app/src/lib/server', about: 'everything behind the pages; nothing here knows Svelte' },
  {
    path: 'app/src/lib/server/platform',
    about: 'what every subject needs: lifecycles, the log of the school, notices',
    uses: [],
  },
  {
    path: 'app/src/lib/server/platform/basics',
    about: 'settings of a process, its log, hashes, refusals',
    uses: [],
  },
  { path: 'app/src/lib/server/platform/db', about: 'the database', uses: ['basics'] },
  { path: 'app/src/lib/server/platform/db/schema', about: 'its tables, one file a subject' },
  { path: 'app/src/lib/server/platform/live', about: 'news to those who follow', uses: ['db'] },
  {
    path: 'app/src/lib/server/platform/auth',
    about: 'signing in, and who may do what',
    uses: ['basics', 'db', 'live', 'audit.ts', 'lifecycle.ts'],
  },
  { path: 'app/src/lib/server/platform/sent', about: 'files as they are sent', uses: ['basics'] },
  {
    path: 'app/src/lib/server/platform/compute',
    about: 'work that takes long, in threads that can be ended',
    uses: ['basics', 'auth', 'sent'],
  },
  {
    path: 'app/src/lib/server/projects',
    about: 'projects, versions, files, pictures, gallery',
    uses: ['platform'],
  },
  { path: 'app/src/lib/server/projects/sharing', about: 'links to a version' },
  {
    path: 'app/src/lib/server/printers',
    about: 'printers, who keeps them, their sheets, spools, materials, the school day',
    uses: ['platform'],
  },
  {
    path: 'app/src/lib/server/printers/drivers',
    about: 'how printers are spoken to: over the network, a cable, or by a card that is carried',
    uses: [],
  },
  {
    path: 'app/src/lib/server/handIns',
    about: 'handing in, inspecting, inspecting again',
    uses: ['platform', 'projects'],
  },
  {
    path: 'app/src/lib/server/printing',
    about: 'from the queue to what came of it',
    uses: ['platform', 'projects', 'printers', 'handIns'],
  },
  { path: 'app/src/lib/server/printing/queue', about: 'what waits, and in which order', uses: [] },
  { path: 'app/src/lib/server/printing/plan', about: 'the week of all printers', uses: ['batches'] },
  {
    path: 'app/src/lib/server/printing/batches',
    about: 'what is printed together: laying, proposals, slicing',
    uses: ['queue'],
  },
  {
    path: 'app/src/lib/server/printing/runs',
    about: 'one print of a batch, from the start to its outcomes',
    uses: ['queue', 'batches'],
  },
  { path: 'app/src/lib/server/printing/filament', about: 'a change of filament', uses: ['runs'] },
  {
    path: 'app/src/lib/server/printing/keeping',
    about: 'brings each printer and its run together',
    uses: ['batches', 'runs', 'filament'],
  },
  {
    path: 'app/src/lib/server/review',
    about: 'remarks and decisions of a teacher',
    uses: ['platform', 'projects', 'handIns', 'printing'],
  },
  {
    path: 'app/src/lib/server/limits',
    about: 'limits cards, what changes of materials mean for them, and the currency of the school',
    uses: ['platform', 'handIns', 'printers'],
  },
  {
    path: 'app/src/lib/server/briefs',
    about: 'briefs, their library, counts and pictures',
    uses: ['platform', 'projects'],
  },
  {
    path: 'app/src/lib/server/people',
    about: 'staff, classes, students, teams, the first teacher',
    uses: ['platform', 'projects', 'printing', 'briefs'],
  },
  {
    path: 'app/src/lib/server/overview',
    about: 'a class as its teacher sees it: home, lesson, figures, all of it as files',
    uses: ['platform', 'projects', 'printing', 'handIns', 'review', 'briefs'],
  },
  { path: 'app/src/lib/server/demo', about: 'the made-up school' },
  { path: 'app/src/lib/server/setup', about: 'brings the database up to date as a process starts' },
  { path: 'app/src/lib/server/testing', about: 'what tests with a database stand on' },
  { path: 'app/drizzle', about: 'migrations of the database' },
  { path: 'app/static', about: 'files that are served as they are' },
  { path: 'app/static/starters', about: 'a picture of each example' },

  { path: 'cli', about: 'the `kelbrin` command' },
  { path: 'cli/src', about: 'one file a command' },
  { path: 'printer', about: 'the simulated printer, a process of its own' },
  { path: 'printer/src', about: 'its talk, its faults and its machine' },
  { path: 'e2e', about: 'tests of the whole, in a real browser' },
  { path: 'e2e/src', about: 'one file a flow' },
  { path: 'bench', about: 'measurements against plain references' },
  { path: 'bench/src', about: 'one file a measurement' },
  { path: 'fuzz', about: 'what is made to break the readers' },
  { path: 'fuzz/src', about: 'inputs for each reader' },
  { path: 'ops', about: 'what `./run` runs: databases, builds, the demo, the tests' },
  { path: 'ops/mutation', about: 'small faults, put into sources to see whether tests notice' },
  { path: 'docs', about: 'how it works, for who uses it, runs it or changes it' },
  { path: 'docs/inspection', about: 'drawings for docs/inspection.md' },
  { path: 'docs/recipe', about: 'a picture of each kind of step, drawn by the same command' },
  { path: 'docs/screenshots', about: 'one picture of each main view' },
];

/** The room above, as long as it is one of the house. */
export function roofOf(/** @type {string} */ path) {
  return path.slice(0, path.lastIndexOf('/'));
}
