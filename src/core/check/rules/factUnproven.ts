import { saysDeviceGround, UNITS, type Limit, type Unit } from '../../gear';
import { feedFamily, finding, nameOf, quantity, type Alternative, type Case, type Rule } from '../case';
import type { Answer, Finding } from '../finding';
import { meter } from '../solve';
import { harmlessHere, windingCurrent } from './elementDirectCurrent';
import { uncapital } from '../../units/format';

/** An assumed limit decides when the reading lies within this factor below it. */
const CLOSE = 2;

interface Held {
  limit: Limit;
  value: number;
  unit: 'A' | 'V';
}

/** Readings held against a limit for harm that is only assumed, where the trade does not call the practice harmless. */
function held(at: Case): Held[] {
  const plugIn = feedFamily(at.line) === 'plug-in';
  return at.circuit.stakes.flatMap((stake): Held[] => {
    switch (stake.type) {
      case 'supply':
        return stake.stands
          ? [{ limit: stake.stands, value: Math.max(...stake.between.map((pair) => meter(at.point, pair))), unit: 'V' }]
          : [];
      case 'capsule':
        return [{ limit: stake.stands, value: Math.abs(meter(at.point, stake.between)), unit: 'V' }];
      case 'output capacitor':
        return plugIn
          ? []
          : [
              {
                limit: stake.stands,
                value: Math.max(...stake.between.map((pair) => Math.abs(meter(at.point, pair)))),
                unit: 'V',
              },
            ];
      case 'winding':
        return stake.saturates || harmlessHere(at, stake)
          ? []
          : [{ limit: stake.limit, value: windingCurrent(at, stake), unit: 'A' }];
      case 'output':
        return plugIn
          ? []
          : [
              {
                limit: stake.limit,
                value: Math.max(...stake.elements.map((element) => Math.abs(at.point.amps(element)))),
                unit: 'A',
              },
            ];
      default:
        return [];
    }
  });
}

const assumed = (at: Case): Finding[] =>
  held(at)
    .filter(
      ({ limit, value }) =>
        limit.basis === 'assumed' && limit.value > 0 && value > limit.value / CLOSE && value <= limit.value,
    )
    .map(({ limit, value, unit }) =>
      finding({
        code: 'fact-unproven',
        severity: 'watch',
        part: limit.part,
        what: `This turns on a limit nobody has confirmed: ${uncapital(limit.label)}`,
        why: `${quantity(value, unit)} here, assumed limit ${quantity(limit.value, unit)}. Check the manual of ${nameOf(at.line, limit.part)} or ask the maker, then record the answer.`,
        numbers: [
          { label: limit.label, value, unit, limit: { label: 'Assumed', value: limit.value, basis: limit.basis } },
        ],
        basis: 'assumption',
        answers: [confirm(limit)],
        look: 'The data sheet, or the maker.',
      }),
    );

const confirm = (limit: Limit) => ({
  label: `Confirm this figure: ${quantity(limit.value, limit.unit.endsWith('A') ? 'A' : 'V')}`,
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
function open(at: Case): Finding[] {
  const asked = at.alternatives.filter(({ choice }) => choice !== 'tap');
  const worse = asked.flatMap((alternative) =>
    alternative.findings
      .filter(({ severity, code }) => (severity === 'harm' || severity === 'silent') && code !== 'ribbon-fed')
      .map((found) => ({ alternative, found })),
  );
  // Two questions that lead to the same harm are one finding: either answer settles it.
  return worse
    .filter(({ found }, n) => worse.findIndex((other) => other.found.code === found.code) === n)
    .map(({ alternative, found }) =>
      finding({
        code: 'fact-unproven',
        severity: 'watch',
        part: alternative.part,
        what: alternative.ask,
        why: `If the answer is “${alternative.label}”: ${found.why}`,
        numbers: found.numbers,
        basis: 'assumption',
        answers: worse
          .filter((other) => other.found.code === found.code)
          .flatMap((other) => recordable(at, other.alternative)),
        look: 'The manual, or a meter between its ground and a known earth.',
      }),
    );
}

const recordable = (at: Case, { part, choice, answers }: Alternative): Answer[] =>
  answers.map(({ value, label }) => ({
    label: `${saysDeviceGround({ part, choice }) ? 'Inlet’s device' : nameOf(at.line, part)}: ${uncapital(label)}`,
    edits: [{ do: 'choose', part, choice, value }],
  }));

export const factUnproven: Rule = { code: 'fact-unproven', judge: (at) => [...assumed(at), ...open(at)] };
