import { UNITS, type Limit, type Unit } from '../../gear';
import { finding, nameOf, quantity, type Case, type Rule } from '../case';
import type { Finding } from '../finding';
import { meter } from '../solve';
import { windingCurrent } from './elementDirectCurrent';

/** An assumed limit decides when the reading lies within this factor of it, either way. */
const CLOSE = 2;

/** Readings held against a limit that is only assumed. */
function held(at: Case): { limit: Limit; value: number; unit: 'A' | 'V' }[] {
  return at.circuit.stakes.flatMap((stake): { limit: Limit; value: number; unit: 'A' | 'V' }[] => {
    switch (stake.type) {
      case 'supply': {
        const volts = Math.max(...stake.between.map((pair) => meter(at.point, pair)));
        return [stake.needs, stake.stops, ...(stake.stands ? [stake.stands] : [])].map((limit) => ({
          limit,
          value: volts,
          unit: 'V',
        }));
      }
      case 'capsule':
        return [{ limit: stake.stands, value: meter(at.point, stake.between), unit: 'V' }];
      case 'output capacitor':
        return [
          {
            limit: stake.stands,
            value: Math.max(...stake.between.map((pair) => Math.abs(meter(at.point, pair)))),
            unit: 'V',
          },
        ];
      case 'winding':
        return [{ limit: stake.limit, value: windingCurrent(at, stake), unit: 'A' }];
      case 'output':
        return [
          {
            limit: stake.limit,
            value: Math.max(...stake.elements.map((element) => Math.abs(at.point.amps(element)))),
            unit: 'A',
          },
        ];
      case 'feed':
        return [];
    }
  });
}

const assumed = (at: Case): Finding[] =>
  held(at)
    .filter(
      ({ limit, value }) =>
        limit.basis === 'assumed' && limit.value > 0 && value > limit.value / CLOSE && value < limit.value * CLOSE,
    )
    .map(({ limit, value, unit }) =>
      finding({
        code: 'fact-unproven',
        severity: 'watch',
        part: limit.part,
        what: `${limit.label} is only assumed, and it decides`,
        why: `The reading is ${quantity(value, unit)}, the assumed limit ${quantity(limit.value, unit)}. Ask the manual or the maker of ${nameOf(at.line, limit.part)}, and record the answer with the figure.`,
        numbers: [
          { label: limit.label, value, unit, limit: { label: 'Assumed', value: limit.value, basis: limit.basis } },
        ],
        basis: 'assumption',
        answers: [confirm(limit)],
      }),
    );

const confirm = (limit: Limit) => ({
  label: `Confirmed: ${quantity(limit.value, limit.unit.endsWith('A') ? 'A' : 'V')}`,
  edits: [
    {
      do: 'set figure' as const,
      part: limit.part,
      figure: limit.figure,
      to: { value: limit.value / UNITS[limit.unit as Unit], unit: limit.unit, basis: 'maker' as const },
    },
  ],
});

/** Open questions whose answer would bring harm or silence that is not found now. The ribbon's own rule speaks for its tap. */
const open = (at: Case): Finding[] =>
  at.alternatives.flatMap((alternative) =>
    alternative.findings
      .filter(({ severity, code }) => (severity === 'harm' || severity === 'silent') && code !== 'ribbon-fed')
      .filter(() => alternative.choice !== 'tap')
      .map((worse) =>
        finding({
          code: 'fact-unproven',
          severity: 'watch',
          part: alternative.part,
          what: alternative.ask,
          why: `If the answer is “${alternative.label}”: ${worse.why}`,
          numbers: worse.numbers,
          basis: 'assumption',
        }),
      ),
  );

export const factUnproven: Rule = { code: 'fact-unproven', judge: (at) => [...assumed(at), ...open(at)] };
