import { magnitude, type Complex } from '../../circuit';
import { CONNECTORS, isCable, isPlainAdapter, linkKind, mate, sourceKind, type Contact } from '../../gear';
import { lengthText } from '../../units/format';
import { characterOf, finding, isMicrophone, quantity, readPart, type Case, type Rule } from '../case';
import { LOST } from '../solve';

/** Longest unbalanced run on top of the fixed lead (common practice). */
const LONGEST = 3;
/** Instruments come with leads of 6 m (20 ft), and that is how they are played (common practice). */
const INSTRUMENT = 6;
/** One leg of a balanced cable counts as tied to the shield below this share of the other's impedance. */
const TIED = 0.05;
const GROUND = 30;

/** Contacts that carry a balanced signal in a cable with that plug. */
const LEGS: Partial<Record<string, [Contact, Contact]>> = {
  xlr3: ['2', '3'],
  xlr5: ['2', '3'],
  trs635: ['T', 'R'],
  trs35: ['T', 'R'],
};

/** Whether the cable at a position carries its signal without balance, judged at its inlet end. */
function unbalanced(at: Case, link: number): boolean {
  const junction = link + 1;
  const legs = LEGS[at.circuit.junctions[junction].plug];
  if (!legs) return true;
  const [hot, cold] = legs.map((contact) => at.signal.impedance(junction, contact));
  if (Math.min(hot, cold) < TIED * Math.max(hot, cold) && Math.min(hot, cold) < GROUND) return true;
  // A leg that ends on the way hangs in the air from there on.
  if (leadsBack(at, junction, legs[0]) !== leadsBack(at, junction, legs[1])) return true;
  const [one, other] = legs.map((contact) => at.signal.over(junction, contact));
  // Left and right side by side are two unbalanced signals, not a balanced one.
  return one !== undefined && other !== undefined && apart(one, other, -1) > 1.5 * apart(one, other, 1);
}

/** Whether a conductor goes on as far as the source, or to what has circuits of its own, or to another one. */
function leadsBack(at: Case, junction: number, contact: Contact): boolean {
  const { links, junctions } = at.circuit;
  let own: Contact = contact;
  for (let n = junction - 1; n >= 0; n--) {
    if (!isCable(at.line.links[n]) && !isPlainAdapter(at.line.links[n])) return true;
    const path = links[n].paths.find(({ to }) => to === own);
    if (!path) return links[n].bridges.some(({ contacts }) => contacts.includes(own));
    const touching = mate(junctions[n].plug, junctions[n].socket)?.[path.from];
    if (touching === undefined) return false;
    own = touching;
  }
  return true;
}

const apart = (a: Complex, b: Complex, sign: number): number =>
  magnitude({ re: a.re - sign * b.re, im: a.im - sign * b.im });

/** An instrument's lead. */
const allowed = (at: Case): number =>
  sourceKind(at.line.source.kind).belongsIn === 'instrument' ? INSTRUMENT : LONGEST;

export const longUnbalanced: Rule = {
  code: 'long-unbalanced',
  judge(at) {
    if (at.signal.alongPath <= LOST) return [];
    const most = allowed(at);
    const runs = at.line.links.flatMap((part, n) => {
      if (linkKind(part.kind).nature !== 'cable' || !CONNECTORS[at.circuit.links[n].output]) return [];
      return unbalanced(at, n) ? [{ n, metres: readPart(at.line, n).value('length') }] : [];
    });
    const metres = runs.reduce((sum, run) => sum + run.metres, 0);
    if (metres <= most) return [];
    return [
      finding({
        code: 'long-unbalanced',
        severity: 'watch',
        part: runs[0].n,
        what: `${quantity(metres, 'm')} unbalanced`,
        why: `It picks up hum and radio${characterOf(at.line) === 'pickup' ? ', and dulls a pickup' : ''}. Go balanced near the source.`,
        numbers: [
          {
            label: 'Unbalanced run',
            value: metres,
            unit: 'm',
            limit: { label: 'Usual at most', value: most, basis: 'common practice' },
          },
        ],
        basis: `typical: about ${lengthText(most)}`,
        look: isMicrophone(at.line)
          ? 'A shorter lead, or an XLR inlet and microphone cable.'
          : 'A direct box at the source, and microphone cable from there on.',
      }),
    ];
  },
};
