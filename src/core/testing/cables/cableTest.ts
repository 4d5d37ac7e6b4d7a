import { linkKind, type ConnectorId, type Line, type Part } from '../../gear';
import { atHand, beliefOf, instrumentOf, tableOf, type Seen, type Table } from '../belief/belief';
import { diagnosis, ruledOutBy } from '../diagnosis/diagnosis';
import { inWords, type Diagnosed } from '../diagnosis/diagnose';
import { hypothesesOf } from '../hypotheses/hypotheses';
import { type Hypothesis } from '../hypotheses/hypothesis';
import { seenOf, type Observation } from '../diagnosis/observation';
import type { Experience, FaultType } from '../hypotheses/priors';
import { subjectOf } from '../subject';

/** How often a cable that somebody tests is good (assumed). */
const GOOD = 0.6;
/** What has to be ruled out for a cable to count as tested. */
const MATTERS: ReadonlySet<FaultType> = new Set(['open', 'shorted', 'swapped']);

/** What is known of a cable that was tested. */
export interface CableTested extends Diagnosed {
  /** Everything that matters where it is used is ruled out: it may count as tested. */
  tested: boolean;
  /** It has a fault, as far as was seen. */
  bad: boolean;
}

/** Connectors that cables have. */
export const CABLE_CONNECTORS = linkKind('cable').choices.connector.options.map(({ value }) => value as ConnectorId);

/** The cable between a source and an inlet that gives 48 V where its connector takes that: what instruments need. */
const lineOf = (cable: Part, connector: ConnectorId): Line => ({
  id: 'cable',
  name: cable.name ?? 'cable',
  source: { kind: 'moving-coil' },
  links: [{ ...cable, choices: { ...cable.choices, connector } }],
  inlet: { kind: 'three-pin', choices: { feed: connector === 'xlr3' ? 'P48' : 'off' } },
});

/** Everything that may be wrong with a cable, and everything it can be looked at by. */
export function cableTable(
  connector: ConnectorId,
  cable: Part = { kind: 'cable' },
  experience: Experience = {},
): Table {
  const subject = subjectOf(lineOf(cable, connector), 0);
  const faults = hypothesesOf(subject, experience).filter(({ part, world }) => part === 0 && world.faults.length === 1);
  const all = faults.reduce((sum, { prior }) => sum + prior, 0);
  const good: Hypothesis = {
    id: 'good',
    what: 'nothing found wrong',
    part: 'nothing',
    act: { id: 'use', text: 'Use it', part: 'desk' },
    prior: GOOD,
    world: subject.sound,
    sometimes: false,
    counts: { class: 'desk', type: 'nothing' },
  };
  const hypotheses = [good, ...faults.map((each) => ({ ...each, prior: ((1 - GOOD) * each.prior) / all }))];
  const table = tableOf(subject, hypotheses, experience.repairs);
  // Where there is no feed, nothing that lives on one is offered; at the inlet there is no cable.
  return {
    ...table,
    looks: table.looks.filter((look) => instrumentOf(look).hand === 'tool' && look.at !== 'junction 1'),
  };
}

const BAD = 0.9;

/** What a cable has, by what was seen of it. @param only instruments that are at hand @throws ObservationError with the path of what is wrong in the observations */
export function cableTest(table: Table, observations: readonly Observation[], only?: ReadonlySet<string>): CableTested {
  const seen = seenOf(table, observations);
  const { tested, bad } = stateOf(table, seen);
  return {
    ...diagnosis({ ...table, looks: atHand(table.looks, only) }, seen),
    seen: inWords(table, seen),
    tested,
    bad,
  };
}

/** What a cable is known to be, and the fault that is likeliest. */
export interface CableState extends Pick<CableTested, 'tested' | 'bad'> {
  /** Likelier than that nothing is wrong. */
  suspect: boolean;
  worst: { what: string; probability: number };
}

function stateOf(table: Table, seen: readonly Seen[]): CableState {
  const { hypotheses } = table;
  const { shares } = beliefOf(table, seen);
  const gone = new Set(ruledOutBy(table, shares));
  const faults = hypotheses.flatMap(({ what, part }, n) =>
    part === 'nothing' ? [] : [{ what, probability: shares[n] }],
  );
  const all = faults.reduce((sum, { probability }) => sum + probability, 0);
  const worst = faults.reduce((most, each) => (each.probability > most.probability ? each : most));
  return {
    tested:
      seen.length > 0 && hypotheses.every((each) => !MATTERS.has(each.counts.type as FaultType) || gone.has(each)),
    bad: all > BAD,
    suspect: worst.probability > 1 - all,
    worst,
  };
}

/** What a cable is known to be by what was seen of it, without what to look at next. @throws ObservationError */
export const cableState = (table: Table, observations: readonly Observation[]): CableState =>
  stateOf(table, seenOf(table, observations));
