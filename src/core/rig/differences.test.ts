import { readFileSync } from 'node:fs';
import { changesInWords, freeInlets, moveLine, parseDocument, setFeed } from '.';

const demo = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));

test('what changed is said as one line: the switch and its setting, the line and where it goes, then the rest', () => {
  const rig = demo;
  const off = setFeed(rig, 'desk', 'bank-a', 'off');
  expect(changesInWords(rig, off)).toBe('Hold desk, bank A: off');
  const moved = moveLine(off, 'ribbon-left', freeInlets(off)[0].to);
  expect(changesInWords(off, moved)).toMatch(/^Trio, ribbon left to .+, inlet/);
  const all = { ...moved, name: 'other', lines: moved.lines.map((line) => ({ ...line, note: `${line.note ?? ''}x` })) };
  expect(changesInWords(moved, all)).toMatch(/^name; .*: note; .*: note; .*: note; \d+ more$/);
  expect(changesInWords(rig, rig)).toBe('Nothing changed');
});
