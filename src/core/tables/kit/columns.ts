/** A kit as a table: its columns in their order. */
export const COLUMNS = [
  'id',
  'role',
  'kind',
  'name',
  'count',
  'figures',
  'choices',
  'faults',
  'inlets',
  'per switch',
  'feeds',
  'sheet',
  'note',
  'bought',
  'retired',
  'test every (days)',
];
