import { CONNECTORS, linkKind, type Line } from '../../gear';
import { faulty, feedAt, finding, isMicrophone, nameOf, quantity, type Case, type Rule } from '../case';
import { LIVE } from '../../standards/feeds';

/** A shield with more than this at mains frequency shields nothing. */
const OPEN = 100;
/** From here on only stray capacitance is left of it. */
const OPEN_CIRCUIT = 1e5;

/** The cable whose shield is open by a known fault. */
const cut = (at: Case): number | undefined =>
  faulty(at.line).find((n) => {
    const { reference } = CONNECTORS[at.circuit.links[n].input];
    return at.line.links[n].faults!.some((fault) => fault.type === 'open' && fault.contact === reference);
  });

/** The first link, from the inlet on, behind which the shield should go on and does not. */
function interrupted(at: Case): { n: number; ohms: number } | undefined {
  for (let n = at.line.links.length - 1; n >= 0; n--) {
    const { input, output, paths } = at.circuit.links[n];
    const through = paths.some(
      ({ from, to, look }) =>
        from === CONNECTORS[input].reference && to === CONNECTORS[output].reference && look !== 'transformer',
    );
    if (!through) return undefined;
    // A capacitor there on purpose, where nothing has to be fed over it: what is behind it is joined at the source.
    if (linkKind(at.line.links[n].kind).shieldOver && !isMicrophone(at.line)) return undefined;
    const ohms = at.signal.shields[n];
    if (ohms > OPEN && at.circuit.junctions[n].fits) return { n, ohms };
  }
  return undefined;
}

/** The line with every device's ground free: what then returns the feed is this line's own shield. */
const afloat = (line: Line): Line => ({
  ...line,
  ground: 'floating',
  source: free(line.source),
  links: line.links.map(free),
  branches: line.branches?.map((branch) => ({ ...branch, ground: 'floating' as const })),
});
const free = <P extends Line['source']>(part: P): P =>
  part.choices?.ground === 'earthed' ? { ...part, choices: { ...part.choices, ground: 'floating' } } : part;

export const shieldOpen: Rule = {
  code: 'shield-open',
  judge(at) {
    const found = interrupted(at);
    const broken = cut(at);
    if (!found && broken === undefined) return [];
    const n = found?.n ?? broken!;
    return [
      finding({
        code: 'shield-open',
        severity: 'watch',
        part: broken ?? n,
        what: 'Shield open',
        why: found
          ? `Pin 1 doesn't reach the inlet's ground${found.ohms > OPEN_CIRCUIT ? '' : ` (${quantity(found.ohms, 'Ω')})`}: ${isMicrophone(at.line) ? 'hum, and no phantom.' : 'hum.'}`
          : returned(at, broken!),
        numbers:
          found && found.ohms <= OPEN_CIRCUIT
            ? [{ label: 'Shield to ground, 50 Hz', value: found.ohms, unit: 'Ω' }]
            : [],
        basis: 'the calculated impedance at 50 Hz',
        look: 'Another cable; never rely on what else happens to join the grounds.',
      }),
    ];
  },
};

/** Some other way returns the feed: which, and what is left without it. */
function returned(at: Case, broken: number): string {
  const floating = at.solve(afloat(at.line));
  const [now, without] = [feedAt(at, 0), feedAt(floating, 0)];
  const shared = (at.line.branches ?? []).length > 0 && Math.abs(now - without) < LIVE;
  const way = shared ? 'the shield of another line' : 'mains earth';
  return (
    `The shield of ${nameOf(at.line, broken)} is open; ${way} joins the grounds instead. ` +
    (now > LIVE && without < now - LIVE
      ? `Without it: ${quantity(without, 'V')} at the source instead of ${quantity(now, 'V')}. `
      : '') +
    'Expect hum and radio.'
  );
}
