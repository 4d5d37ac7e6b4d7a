import { readFileSync } from 'node:fs';
import { LINKS, SOURCES } from '../gear';
import { parseKit } from '../kit';
import { parseDocument, type RigDocument } from '../rig';
import { candidatesOf, meant } from './match';
import { readTyped, withTyped } from './typed';

const demo = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
/** The demo's devices with nothing plugged. */
const empty: RigDocument = { ...demo, lines: [], wishes: undefined, units: undefined, mains: undefined };
const kit = parseKit(readFileSync('demo/kit.json', 'utf8')).items;
const one = (text: string, rig = empty, own: Parameters<typeof readTyped>[1] = []) => readTyped(rig, own, text)[0];
const inletsOf = (text: string) =>
  one(text).problem ?? one(text).lines.map(({ inlet }) => ('device' in inlet ? `${inlet.device} ${inlet.inlet}` : '?'));

const WORDS = [...SOURCES, ...LINKS].flatMap(({ role, kind, words = [] }) =>
  words.map((word) => ({ role, kind, word })),
);

test.each(WORDS)('$word means $kind', ({ role, kind, word }) => {
  const { best, others } = meant(word, candidatesOf(role as 'source', [], empty));
  const kinds = [best!, ...others].map(({ part }) => part.kind);
  // A word that several kinds share is a choice.
  expect(kinds).toContain(kind);
  const shouted = meant(`  ${word.toUpperCase()} `, candidatesOf(role as 'source', [], empty));
  expect(shouted.best).toEqual(best);
});

test.each([
  ['dynamic', 'moving-coil'],
  ['dyn', 'moving-coil'],
  ['ribbon', 'passive-ribbon'],
  ['SDC', 'condenser-9-52'],
  ['sdc', 'condenser-9-52'],
  ['small condensers', 'condenser-9-52'],
  ['LDC', 'condenser-48'],
  ['lavalier', 'plug-in-electret'],
  ['lav', 'plug-in-electret'],
  ['Lav', 'plug-in-electret'],
  ['keyboard', 'line-output'],
  ['kbd', 'line-output'],
  ['laptop', 'line-output'],
  ['shotgun', 'battery-or-phantom-condenser'],
  ['tube', 'valve-own-supply'],
  ['electric guitar', 'magnetic-pickup'],
  ['contact mic', 'piezo-pickup'],
  ['radio mic', 'wireless-receiver'],
  ['hydrophone', 'hydrophone-preamplifier'],
])('of sources, %s is %s before anything else', (word, kind) => {
  expect(one(`${word} > desk 3`).lines[0].source).toMatchObject({ kind });
});

test.each([
  ['DI', 'passive-direct-box'],
  ['di box', 'passive-direct-box'],
  ['active DI', 'active-direct-box'],
  ['stereo DI', 'stereo-direct-box'],
  ['snake', 'multicore'],
  ['stage box', 'multicore'],
  ['pad', 'pad'],
  ['patch 12', 'three-pin-patch-point'],
  ['XLR patch', 'three-pin-patch-point'],
  ['booster', 'inline-booster'],
  ['splitter', 'splitter'],
  ['adaptor', 'plain-adapter'],
  ['transformer', 'isolating-transformer'],
])('of links, %s is %s', (word, kind) => {
  expect(one(`dynamic > ${word} > desk 3`).lines[0].links.map((part) => part.kind)).toEqual([kind]);
});

test.each([
  ['10 m', 10],
  ['10m', 10],
  ['2.5 m', 2.5],
  ['2,5m', 2.5],
  ['10 metres', 10],
  ['1 meter', 1],
  ['30 ft', 9.14],
  ['30ft', 9.14],
  ['30 feet', 9.14],
  ['50′', 15.24],
  ["25'", 7.62],
  ['10 m cable', 10],
  ['cable 10 m', 10],
  ['XLR 10 m', 10],
  ['10 m lead', 10],
  ['mic cable 15 m', 15],
])('%s is a cable of %d m', (text, metres) => {
  const [link, ...more] = one(`dynamic > ${text} > desk 3`).lines[0].links;
  expect(more).toEqual([]);
  expect(link).toMatchObject({ kind: 'cable', figures: { length: { value: metres, unit: 'm' } } });
});

test.each([
  ['desk 3', ['desk 3']],
  ['Desk 3', ['desk 3']],
  ['hold desk 3', ['desk 3']],
  ['hold 3', ['desk 3']],
  ['desk #3', ['desk 3']],
  ['desk: 3', ['desk 3']],
  ['desk inlet 3', ['desk 3']],
  ['desk ch 3', ['desk 3']],
  ['desk channel 16', ['desk 16']],
  ['bag 1-2', ['bag 1', 'bag 2']],
  ['bag 1–2', ['bag 1', 'bag 2']],
  ['bag 1 to 2', ['bag 1', 'bag 2']],
  ['bag 1, 3', ['bag 1', 'bag 3']],
  ['bag 1+3', ['bag 1', 'bag 3']],
  ['bag 1 & 3', ['bag 1', 'bag 3']],
  ['desk 5-8', ['desk 5', 'desk 6', 'desk 7', 'desk 8']],
  ['stream', ['stream 1']],
  ['stream 2', ['stream 2']],
  ['mixer 6', ['mixer 6']],
  ['line mixer 6', ['mixer 6']],
  ['camera', ['camera mic']],
  ['bag recorder 6', ['bag 6']],
])('%s is %j', (text, refs) => expect(inletsOf(`dynamic > ${text}`)).toEqual(refs));

test.each([
  ['', 'none'],
  ['> desk 3', 'Begin with what makes the sound'],
  ['xyz > desk 3', '“xyz” is no source of the kit or the catalogue'],
  ['dynamic > desk 99', 'Hold desk has no inlet 99; it has 1, 2, 3, 4, 5, 6, 7, 8 and 8 more'],
  ['dynamic > stream 1-5', 'Stream interface has no inlet 1-5; it has 1, 2'],
  ['3 x dynamic > stream', 'Only 2 of Stream interface are free'],
  ['3 x dynamic > stream 1-2', '3 lines and 2 inlets: say as many of each'],
  ['99 x dynamic > desk 1', '1 to 64 lines at once'],
])('%s is refused with what to type', (text, why) => {
  const found = readTyped(empty, [], text);
  expect(found[0]?.problem ?? 'none').toContain(why);
  expect(found[0]?.lines ?? []).toEqual([]);
});

test('how many inlets are free is said in good English: none is, one is, two are', () => {
  const problems = (text: string) => readTyped(empty, [], text).map(({ problem }) => problem);
  expect(problems('3 x dynamic > stream')).toEqual(['Only 2 of Stream interface are free.']);
  expect(problems('2 x dynamic > camera')).toEqual(['Only 1 of Camera is free.']);
  expect(problems('dynamic > camera\ndynamic > camera')).toEqual([undefined, 'No inlet of Camera is free.']);
});

test('a taken inlet says by whom, and which are free; of two typed lines the second sees the first', () => {
  expect(one('dynamic > stream 1', demo).problem).toMatch(
    /^Stream interface, inlet 1 is taken by Guest singer, to the stream/,
  );
  const [first, second] = readTyped(empty, [], 'dynamic > stream 1; ribbon > stream 1');
  expect(first.problem).toBeUndefined();
  expect(second.problem).toBe('Stream interface, inlet 1 is taken by Dynamic; free: 2.');
});

test.each([
  ['2 x SDC "pair" > desk 1-2', ['pair 1', 'pair 2']],
  ['2 × SDC "Overhead L/R" > desk 1', ['Overhead L', 'Overhead R']],
  ['2x SDC "Trio left/right" > desk 1', ['Trio left', 'Trio right']],
  ['4 x lav "Guest #" > desk 5-8', ['Guest 1', 'Guest 2', 'Guest 3', 'Guest 4']],
  ['SDC “Announcer” > desk 1', ['Announcer']],
  ['dynamic > desk 5-6', ['Dynamic 1', 'Dynamic 2']],
  ['2 x dynamic > desk', ['Dynamic 1', 'Dynamic 2']],
])('%s is called %j', (text, names) => expect(one(text).lines.map(({ name }) => name)).toEqual(names));

test.each(['>', '->', '→', ' > '])('%s leads from one to the next', (then) => {
  expect(one(['ribbon', '10 m', 'desk 3'].join(then)).understood).toEqual([
    'Passive ribbon',
    'cable 10 m',
    'Hold desk, inlet 3',
  ]);
});

test('a cable gets the plug that is needed; the kit’s own is taken where it has that length', () => {
  const [first, box, second] = one('keyboard > 3 m > DI > 10 m > desk 3').lines[0].links;
  expect([first.choices?.connector, box.kind, second.choices?.connector]).toEqual([
    expect.stringMatching(/^t/),
    'passive-direct-box',
    undefined,
  ]);
  expect(one('dynamic > 10 m > desk 3', empty, kit).lines[0].links[0]).toMatchObject({
    item: 'cable-10-m',
    name: 'cable 10 m',
  });
  expect(one('dynamic > 12 m > desk 3', empty, kit).lines[0].links[0].item).toBeUndefined();
  expect(one('dynamic > desk 3').lines[0].links).toEqual([{ kind: 'cable' }]);
});

test('what the kit has goes before the catalogue, and two of a pair are its two; what is used up does not', () => {
  const pair = one('2 x small condenser > desk 1-2', empty, kit);
  expect(pair.lines.map(({ source }) => ('item' in source ? source.item : ''))).toEqual([
    'small-condenser-left',
    'small-condenser-right',
  ]);
  expect(new Set(pair.lines.map(({ source }) => ('item' in source ? source.item : ''))).size).toBe(2);
  const names = readTyped(empty, kit, 'ribbon > desk 1; ribbon > desk 2; ribbon > desk 3').flatMap(({ lines }) =>
    lines.map(({ name }) => name),
  );
  expect(new Set(names).size).toBe(3);
});

test('what is not understood on the way is kept as a note and told, never left out in silence', () => {
  const found = one('dynamic > wobble thing > 10 m > desk 3');
  expect(found.open).toEqual(['wobble thing']);
  expect(found.lines[0].note).toBe('Not understood: wobble thing');
  expect(found.lines[0].links).toHaveLength(1);
});

test('put in, lines keep the rest of the rig as it is and have ids of their own', () => {
  const typed = readTyped(empty, [], '3 x dynamic "Guest #" > desk 1-3');
  const { document, ids, by } = withTyped(empty, typed);
  expect(by).toEqual([ids]);
  expect(ids).toEqual(document.lines.map(({ id }) => id));
  expect(document.devices).toBe(empty.devices);
  expect(parseDocument(JSON.stringify(document)).lines).toHaveLength(3);
});

test('without a device there is nowhere to go', () => {
  expect(readTyped({ ...empty, devices: [] }, [], 'ribbon')[0].problem).toMatch(/^Add a device first/);
});

test('every example of the grammar file means what stands beside it', () => {
  const rows = [...readFileSync('docs/format/typed-lines.md', 'utf8').matchAll(/^\| `([^`]+)`\s*\|\s*(.*?)\s*\|$/gm)];
  expect(rows).toHaveLength(5);
  const [ribbon, pair, guests, keys, wobble] = rows.map(([, typed]) => one(typed));
  expect(ribbon.lines[0].links.map(({ kind }) => kind)).toEqual(['cable', 'three-pin-patch-point']);
  expect(pair.lines.map(({ name }) => name)).toEqual(['pair L', 'pair R']);
  expect(guests.lines.map(({ links }) => links[0].kind)).toEqual(Array(4).fill('plug-in-converter'));
  expect(keys.lines[0].links.map(({ kind }) => kind)).toEqual(['cable', 'passive-direct-box', 'cable']);
  expect(wobble.lines[0].note).toBe('Not understood: wobble');
});
