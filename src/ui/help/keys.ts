/** The keys of each place, as they are shown in the help. */
export const KEYS: Readonly<Record<string, readonly (readonly [keys: string, does: string])[]>> = {
  'In every place': [
    ['?', 'Keys and glossary'],
    ['Ctrl Z', 'Undo'],
    ['Ctrl Shift Z', 'Redo'],
    ['Tab', 'The next control; the first one skips to the sheet'],
  ],
  Rig: [
    ['/', 'Type lines'],
    ['F', 'Find a line'],
    ['J, K', 'Next and previous line'],
    ['Shift J, Shift K', 'Mark lines, one after the other'],
    ['X', 'Mark this line'],
    ['Ctrl C, Ctrl V', 'Copy marked lines, put them into this rig or another'],
    ['D', 'Duplicate'],
    ['M', 'Move to another inlet'],
    ['Delete', 'Remove'],
    ['Alt Up, Alt Down', 'Move up or down in its switch group'],
    ['N', 'New line'],
    ['I', 'Import an input list or a rig'],
    ['H', 'History'],
    ['O, Esc', 'Overview of findings'],
  ],
  Kit: [
    ['N', 'Add an item'],
    ['/', 'Find in the kit'],
  ],
  Plan: [
    ['P', 'Plan the patch'],
    ['Esc', 'Stop planning'],
  ],
  Switch: [
    ['Space, Enter', 'Done'],
    ['N', 'Can’t do this'],
    ['F', 'It was different'],
  ],
  Log: [['/', 'Search text']],
};
