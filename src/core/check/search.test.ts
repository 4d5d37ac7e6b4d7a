import * as gear from '../../../tests/lines/gear';
import { checked, find } from '../../../tests/lines/lines';
import type { Line } from '../gear';
import { applyEdits, type FreeInlet } from '../gear/edits';
import { CASEBOOK } from './casebook';
import { judgeLine } from './check';
import { REMEDY_ORDER, VERDICT_ORDER } from './finding';
import { DEFAULT_SCHOOLS } from '../schools/schools';

const { line, xlr, ts, xlrIn, lineJack, condenser, dynamic, ribbon, output, adapter } = gear;
const free = (id: string, inlet: Line['inlet'], more: Partial<FreeInlet> = {}): FreeInlet => ({
  to: { device: 'desk', inlet: id },
  inlet: { ...inlet, name: `Desk ${id}` },
  ...more,
});
const around = { free: [free('7', xlrIn()), free('8', lineJack), free('9', gear.camera())] };

describe('over the whole casebook, with a microphone, a line and a plug-in inlet free', () => {
  const all = CASEBOOK.flatMap(({ situations }) => situations)
    .filter(({ verdict }) => verdict !== 'Clear')
    .map((situation) => ({ situation, result: checked(situation.line, situation.schools, around) }));
  const remedies = all.flatMap(({ situation, result }) =>
    result.findings.flatMap((finding) => finding.remedies.map((remedy) => ({ situation, finding, remedy }))),
  );

  test('every remedy gives the verdict that it promises', () => {
    expect(remedies.length).toBeGreaterThan(300);
    for (const { situation, remedy } of remedies) {
      const schools = { ...DEFAULT_SCHOOLS, ...situation.schools };
      const after = judgeLine(applyEdits(situation.line, remedy.edits), schools);
      expect([situation.what, remedy.label, after.verdict]).toEqual([situation.what, remedy.label, remedy.gives]);
    }
  });

  test('no remedy makes a line worse, and none leaves its finding as it was', () => {
    for (const { situation, finding, remedy } of remedies) {
      const schools = { ...DEFAULT_SCHOOLS, ...situation.schools };
      const after = judgeLine(applyEdits(situation.line, remedy.edits), schools);
      expect(VERDICT_ORDER.indexOf(after.verdict)).toBeGreaterThanOrEqual(VERDICT_ORDER.indexOf(situation.verdict));
      const still = after.findings.filter(
        ({ code, severity }) => code === finding.code && severity === finding.severity,
      );
      expect([situation.what, remedy.label, still.map(({ what }) => what)]).toEqual([situation.what, remedy.label, []]);
    }
  });

  test('a finding never offers the same words twice, nor more than six', () => {
    for (const { result } of all)
      for (const finding of result.findings) {
        const told = finding.remedies.map(({ label, note }) => `${label} ${note ?? ''}`);
        expect(new Set(told).size).toBe(told.length);
        expect(told.length).toBeLessThanOrEqual(6);
      }
  });

  test('what leaves the line working comes first; among those an engineer’s order', () => {
    const works = (verdict?: string) => verdict === 'Clear' || verdict === 'Watch';
    for (const { result } of all)
      for (const { remedies: told } of result.findings) {
        const good = told.map(({ gives }) => works(gives));
        expect(good).toEqual([...good].sort((a, b) => Number(b) - Number(a)));
        const places = told
          .filter(({ gives, by }) => works(gives) && by !== 'cable')
          .map(({ by }) => REMEDY_ORDER.indexOf(by!));
        expect(places).toEqual([...places].sort((a, b) => a - b));
      }
  });

  test('nine in ten of all that is Stop, Silent or Watch have something to press; the rest says what to look at', () => {
    const findings = all.flatMap(({ result }) => result.findings.filter(({ severity }) => severity !== 'note'));
    const helped = findings.filter((each) => each.remedies.length > 0);
    expect(helped.length / findings.length).toBeGreaterThan(0.9);
    for (const each of findings)
      if (!each.remedies.length && !each.answers?.length) expect(each.look).toMatch(/^[A-Z].*[.?]$/);
  });

  test('phantom stays away from what a feed would harm: no remedy turns one on there', () => {
    for (const { situation, remedy } of remedies)
      if (remedy.edits.some((edit) => edit.do === 'choose' && edit.choice === 'feed' && edit.value !== 'off'))
        expect([situation.what, remedy.gives]).not.toEqual([situation.what, 'Stop']);
  });
});

describe('two steps', () => {
  test('the feed goes off before anything is plugged', () => {
    const asked = line(output('xlr3', 'direct', -20, 'earthed'), xlr(5, gear.open('1')), xlrIn('P48'));
    const { remedies } = find(checked(asked), 'shield-open');
    expect(remedies.map(({ label, gives }) => [label, gives])).toEqual([
      ['Try the feed off, then replace Cable with a good one', 'Clear'],
    ]);
  });

  test('a pad that keeps the feed away is only taken out with the feed off', () => {
    const { remedies } = find(
      checked(line(ribbon('none'), gear.pad(20, 'blocks'), xlr(5), xlrIn('P48'))),
      'gain-short',
    );
    expect(remedies[0]).toMatchObject({ label: 'Try the feed off, then remove Pad', gives: 'Clear' });
  });

  test('a lavalier behind a blocker gets its adapter, and the blocker goes', () => {
    const asked = line(gear.lavalier(), adapter('mini-to-xlr-open'), gear.blocker, xlr(3), xlrIn('P48'));
    expect(find(checked(asked), 'unpowered').remedies.map(({ label }) => label)).toContain(
      'Use a phantom to plug-in-power adapter, then remove Phantom blocker (capacitors)',
    );
  });

  test('a T12 microphone on 48 V over a bad cable: the cable, then its own feed', () => {
    const asked = line(gear.t12(), xlr(5, gear.short('1', '2')), xlrIn('P48'));
    expect(find(checked(asked), 'supply-overvoltage').remedies[0]).toMatchObject({
      label: 'Replace Cable with a good one, then try the feed at T12',
      gives: 'Clear',
    });
  });

  test('one step is enough where one is: nothing longer is told', () => {
    const { remedies } = find(checked(line(condenser, gear.isolator, xlr(5), xlrIn('P48'))), 'unpowered');
    expect(remedies.map(({ label }) => label).join()).not.toMatch(/, then /);
  });

  test('a note has no two steps', () => {
    const note = checked(line(gear.valve('off'), xlr(5), xlrIn('P48'))).findings.find(
      ({ code }) => code === 'feed-not-needed',
    )!;
    expect(note.remedies.map(({ label }) => label).join()).not.toMatch(/, then /);
  });
});

describe('sockets', () => {
  test('an adapter at the microphone and 10 m of thin lead: a free XLR inlet on XLR cable instead', () => {
    const asked = line(dynamic, adapter('xlr-to-mini-both'), gear.mini(10), gear.camera());
    const [move] = find(checked(asked, {}, around), 'long-unbalanced').remedies;
    expect(move).toMatchObject({ by: 'right socket', label: 'Move to Desk 7', gives: 'Clear' });
    expect(move.note).toMatch(/on XLR cable/);
    const moved = applyEdits(asked, move.edits);
    expect(moved.links.map(({ kind, choices }) => [kind, choices?.connector])).toEqual([['cable', 'xlr3']]);
  });

  test('a cable with a fault is not laid anew', () => {
    const asked = line(dynamic, adapter('xlr-to-mini-both'), gear.mini(10, gear.open('R')), gear.camera());
    const notes = checked(asked, {}, around).findings.flatMap(({ remedies }) => remedies.map(({ note }) => note ?? ''));
    expect(notes.join()).not.toMatch(/on XLR cable/);
  });

  test('too far away is not offered', () => {
    const far = { free: [free('7', xlrIn(), { run: 40 })] };
    const asked = line(dynamic, xlr(10), adapter('xlr-to-trs'), lineJack);
    expect(find(checked(asked, {}, far), 'gain-short').remedies).toEqual([]);
    const near = { free: [free('7', xlrIn(), { run: 8 })] };
    expect(find(checked(asked, {}, near), 'gain-short').remedies[0].label).toBe('Move to Desk 7');
  });

  test('a keyboard over a long lead: a direct box at the source, into the free microphone inlet', () => {
    const asked = line(output('ts635'), ts(8), lineJack);
    const [box] = find(checked(asked, {}, around), 'long-unbalanced').remedies;
    expect(box).toMatchObject({ label: 'Add a passive direct box', gives: 'Clear' });
    expect(box.note).toBe('at the source, microphone cable from there on, into Desk 7');
    const laid = applyEdits(asked, box.edits);
    expect(laid.links.map(({ kind }) => kind)).toEqual(['passive-direct-box', 'cable']);
    expect(laid.links[1].choices!.connector).toBe('xlr3');
  });

  test('a piezo gets an active box on its battery', () => {
    const asked = line(gear.piezo, ts(3), gear.comboIn('instrument'));
    const [box] = find(checked(asked, {}, around), 'loaded').remedies;
    expect(box).toMatchObject({ label: 'Add an active direct box', gives: 'Clear' });
    expect(box.edits[0]).toMatchObject({ do: 'insert', at: 0, part: { choices: { battery: 'on' } } });
    expect(find(checked(asked), 'loaded').remedies).toEqual([]);
  });
});
