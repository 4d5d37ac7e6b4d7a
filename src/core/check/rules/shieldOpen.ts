import { CONNECTORS } from '../../gear';
import { finding, quantity, type Rule } from '../case';
import { mendCables } from '../remedies';

/** A shield with more than this at mains frequency shields nothing. */
const OPEN = 100;
/** From here on only stray capacitance is left of it. */
const OPEN_CIRCUIT = 1e5;

export const shieldOpen: Rule = {
  code: 'shield-open',
  judge(at) {
    // From the inlet towards the source, as far as the links mean to pass the shield on.
    for (let n = at.line.links.length - 1; n >= 0; n--) {
      const { input, output, paths } = at.circuit.links[n];
      const through = paths.some(
        ({ from, to, look }) =>
          from === CONNECTORS[input].reference && to === CONNECTORS[output].reference && look !== 'transformer',
      );
      if (!through) return [];
      const ohms = at.signal.shields[n];
      if (ohms <= OPEN || !at.circuit.junctions[n].fits) continue;
      return [
        finding({
          code: 'shield-open',
          severity: 'watch',
          part: n,
          what: 'The shield is interrupted',
          why: `Seen from ${n === 0 ? 'the source' : 'the link before it'}, contact ${CONNECTORS[input].reference} has ${ohms > OPEN_CIRCUIT ? 'no way' : `${quantity(ohms, 'Ω')}`} to the inlet's ground: expect hum, and no return for a feed.`,
          numbers: ohms > OPEN_CIRCUIT ? [] : [{ label: 'Shield to ground, 50 Hz', value: ohms, unit: 'Ω' }],
          remedies: mendCables(at),
          basis: 'the computed impedance at 50 Hz',
        }),
      ];
    }
    return [];
  },
};
