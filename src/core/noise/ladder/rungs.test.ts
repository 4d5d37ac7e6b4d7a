import { LADDERS, type LadderKind } from './rungs';

const kinds = Object.keys(LADDERS) as LadderKind[];

test.each(kinds)(
  '%s: whatever is unplugged, shorted or loses its feed comes after monitors down and feed off',
  (kind) => {
    for (const { do: what, caution } of LADDERS[kind]) {
      const touches = /unplug|short|feed (or battery )?off/i.test(what);
      if (!touches) continue;
      expect(what).toMatch(/[Mm]onitors down/);
      expect(what).toMatch(/feed (or battery )?off/);
      expect(caution).toMatch(/monitors and headphones down first/);
    }
  },
);

test.each(kinds)('%s: the inlet is only shorted with its feed off and run empty', (kind) => {
  const shorted = LADDERS[kind].find(({ rung }) => rung === 'inlet-shorted')!;
  expect(shorted.do).toMatch(/^Monitors down, feed off, wait 60 s\. Unplug/);
  expect(shorted.caution).toMatch(/Nothing is plugged or unplugged while a feed is on/);
});

test.each(kinds)('%s: begins with everything as used, and each rung once', (kind) => {
  const rungs = LADDERS[kind].map(({ rung }) => rung);
  expect(rungs[0]).toBe('as-used');
  expect(new Set(rungs).size).toBe(rungs.length);
  for (const { do: what, takes } of LADDERS[kind].slice(1)) {
    expect(what).toMatch(/^[A-Z].*\.$/);
    expect(takes.length).toBeGreaterThan(2);
  }
});
