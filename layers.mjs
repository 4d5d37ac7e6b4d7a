/** The folders of the core from the ground up: each imports only from those before it. */
export const CORE = [
  'units',
  'standards',
  'circuit',
  'signal',
  'schools',
  'gear',
  'rig',
  'kit',
  'level',
  'log',
  'transients',
  'check',
  'rigcheck',
  'noise',
  'mains',
  'testing',
  'plan',
  'runsheet',
  'typed',
  'tables',
];

/** What lies over the core, and which of it each may import; the core is open to all of them. */
export const OVER_THE_CORE = {
  store: [],
  threads: ['store'],
  workers: [],
  cli: [],
  ui: ['workers'],
  app: ['ui', 'workers', 'store', 'threads'],
};
