import { EARTH, schoolsOf, type RigDocument } from '../rig';
import type { FloorMeter } from '../schools/schools';
import type { Decibels } from '../units';
import { candidates, type Candidate, type Cost } from './candidates';
import { withMainsEdit } from './edits';
import type { MainsRemedy } from './finding';
import { SILENT, type LineHum } from './hearing';
import { lineLevels, type Loop } from './readings';
import { isOutOfUse, overloaded } from './safety';
import { mainsSystem, type MainsSystem, type MainsUnit } from './system';
import type { Hearings } from './ties';

/** A remedy that does less than this is none. */
const LEAST: Decibels = 1;
/** Remedies of one line that a number is told of. */
const MOST = 8;

/**
 * What would help a line, in the order of what it costs, tried one by one: what gains nothing is left out, and so is what
 * would plug anything into an outlet that is out of use or overload one.
 * @param of what is to become quieter
 */
export function remediesFor(
  document: RigDocument,
  system: MainsSystem,
  hum: LineHum,
  loop: Loop | undefined,
  hearings: Hearings,
  of: 'hum' | 'whine' = 'hum',
): MainsRemedy[] {
  const { floorMeter, noiseFloor } = schoolsOf(document);
  const meter = floorMeter as FloorMeter;
  const before = (of === 'hum' ? hum.reads : hum.whine!.reads)[meter];
  const tie = system.ties.find(({ id }) => id === hum.line)!;
  const [from, into] = tie.between.map((id) => system.units.find((unit) => unit.id === id)!);
  const found = candidates({ document, system, hum, loop, from, into })
    .sort((a, b) => ORDER.indexOf(a.cost) - ORDER.indexOf(b.cost))
    .flatMap((each): MainsRemedy[] => {
      const changed =
        'edit' in each ? mainsSystem(withMainsEdit(document, each.edit), hearings, hum.line) : each.change(system);
      if (isHarmful(each, system, changed)) return [];
      // A line that no longer joins two units on the mains hears nothing of this.
      const after = lineLevels(changed, hum.line, of)?.[meter] ?? SILENT;
      if (after > before - LEAST) return [];
      const { what, cost } = each;
      return [{ what, cost, line: hum.line, before, after, ...('edit' in each && { edit: each.edit }) }];
    })
    .slice(0, MOST);
  // From here on nobody has to spend anything.
  const target = Number(noiseFloor) - (hum.toDbfs ?? 0);
  const isCured = found.some(({ after }) => after! <= target);
  return [...found, ...bought(document, isCured)];
}

const ORDER: readonly Cost[] = ['nothing', 'part', 'money'];

/** Whether something is plugged into what is out of use, or an outlet gets more than it is rated for that had not. */
function isHarmful(candidate: Candidate, before: MainsSystem, after: MainsSystem): boolean {
  const { edit } = 'edit' in candidate ? candidate : { edit: undefined };
  const target = edit?.do === 'outlet' ? edit.outlet : edit?.do === 'from' ? edit.from : undefined;
  if (target !== undefined && isOutOfUse(after, target)) return true;
  const known = overloaded(before);
  return overloaded(after).some((name) => !known.includes(name));
}

/** What is bought where the school wants it, or where nothing cheaper is enough; no number can be told. */
function bought(document: RigDocument, isCured: boolean): MainsRemedy[] {
  const { conditioner } = schoolsOf(document);
  if (conditioner === 'never' || (conditioner === 'measure-first' && isCured)) return [];
  return [
    'Mains conditioner or line-interactive supply',
    'Isolating transformer in the mains, with star or isolated grounds',
  ].map((what) => ({ what, cost: 'money', unknown: true as const }));
}

/** The lead that gives units without an earth one. */
export const bondingLead = ({ id, name }: MainsUnit): MainsRemedy => ({
  what: `Bonding lead from a shell or signal ground of ${name} to the earth of the supply in use; never inside a unit, never to pipes or a rod of its own`,
  cost: 'part',
  edit: { do: 'connect', between: [id, EARTH], kind: 'bond' },
});
