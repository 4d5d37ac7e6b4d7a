import { readFileSync } from 'node:fs';
import { parseDocument } from '../rig';
import { everyFault } from './faultReadings';
import { faultReadings, type FaultReading } from '.';

describe.each(['lock-nine', 'lock-nine-mended'])('%s', (name) => {
  const kept = JSON.parse(readFileSync(`demo/${name}-faults.json`, 'utf8')).readings as FaultReading[];
  const now = faultReadings(parseDocument(readFileSync(`demo/${name}.json`, 'utf8')));
  const near = (a: number | null, b: number | null, within: number) =>
    (a === null) === (b === null) && Math.abs((a ?? 0) - (b ?? 0)) <= within;

  test('the readings kept as data are those that are computed', () => {
    expect(now.map(({ line, link, fault }) => ({ line, link, fault }))).toEqual(
      kept.map(({ line, link, fault }) => ({ line, link, fault })),
    );
    now.forEach((reading, n) => {
      const { verdict, codes, source, inlet, signal, feed } = kept[n];
      expect({ verdict: reading.verdict, codes: reading.codes }).toEqual({ verdict, codes });
      for (const end of ['source', 'inlet'] as const)
        for (const [contact, volts] of Object.entries(reading[end]))
          expect(near(volts, { source, inlet }[end][contact], 2e-4)).toBe(true);
      expect(near(reading.signal, signal, 0.02)).toBe(true);
      expect(near(reading.feed, feed, 1e-6)).toBe(true);
    });
  });

  test('every cable has its sound reading and one for each fault it can have', () => {
    const cables = new Map<string, FaultReading[]>();
    for (const reading of now) {
      const key = `${reading.line} ${reading.link}`;
      cables.set(key, [...(cables.get(key) ?? []), reading]);
    }
    for (const readings of cables.values()) {
      expect(readings[0].fault).toBeUndefined();
      expect([everyFault('xlr3').length, everyFault('trs635').length, everyFault('ts635').length]).toContain(
        readings.length - 1,
      );
      expect(new Set(readings.map(({ fault }) => JSON.stringify(fault))).size).toBe(readings.length);
    }
  });

  test('faults that a meter can tell apart read apart: open, short and swap of the two signal pins', () => {
    const fed = now.filter(({ line, link }) => line === 'pair-a-left' && link === 0);
    const volts = (fault: object) => {
      const found = fed.find((reading) => JSON.stringify(reading.fault) === JSON.stringify(fault))!;
      return [found.source['2'], found.source['3']].map((value) => Math.round(value!));
    };
    expect(volts({ type: 'open', contact: '2' })).not.toEqual(volts({ type: 'open', contact: '3' }));
    expect(volts({ type: 'shorted', contacts: ['1', '2'] })[0]).toBe(0);
    expect(volts({ type: 'shorted', contacts: ['1', '3'] })[1]).toBe(0);
  });
});

test('every single fault: contacts open, pairs swapped, shorted and leaking, the shield on cold', () => {
  // 3 open, 3 pairs swapped, shorted, and leaking at three values, and one more.
  expect(everyFault('xlr3')).toHaveLength(3 + 3 + 3 + 9 + 1);
  expect(everyFault('ts635')).toHaveLength(2 + 1 + 1 + 3);
});
