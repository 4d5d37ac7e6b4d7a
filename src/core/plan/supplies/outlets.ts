import type { DcLoad, DirectCurrent } from '../../rig/directCurrent';
import { Program, type Solver, type Term } from '../program/program';
import { pairFindings } from './directCurrent';

/** What hangs where, for every load that can be served. */
export type DcAssignment = Map<string, { supply: string; outlet: number } | undefined>;

/**
 * The best way to hang loads on outlets: as many as possible without harm, then digital and analogue apart, then as few
 * changes as possible. One load takes one outlet of an isolated supply; on a shared one as many as its current allows.
 */
export function assignDirectCurrent(
  { supplies, loads }: DirectCurrent,
  solver: Solver,
  options: Parameters<Solver>[2],
): DcAssignment {
  const program = new Program();
  const seats = loads.flatMap((load, n) =>
    supplies
      .filter((supply) => pairFindings(load, supply).length === 0 && load.current.value <= supply.limit.value)
      .flatMap((supply) =>
        Array.from({ length: supply.outlets }, (_, k) => ({
          n,
          load,
          supply,
          outlet: k + 1,
          variable: program.variable(),
        })),
      ),
  );
  const mixed: number[] = [];
  const out = loads.map((_, n) => {
    const variable = program.variable();
    program.row([[variable, 1], ...seats.filter((seat) => seat.n === n).map((seat): Term => [seat.variable, 1])], {
      lower: 1,
      upper: 1,
    });
    return variable;
  });
  const micro = (load: DcLoad) => Math.ceil(load.current.value * 1000);
  for (const supply of supplies) {
    const own = seats.filter((seat) => seat.supply === supply);
    for (let outlet = 1; outlet <= supply.outlets; outlet++) {
      const here = own.filter((seat) => seat.outlet === outlet);
      if (here.length)
        program.row(
          here.map(({ variable }): Term => [variable, 1]),
          { upper: 1 },
        );
    }
    if (supply.total && own.length)
      program.row(
        own.map(({ load, variable }): Term => [variable, micro(load)]),
        { upper: supply.total.value * 1000 },
      );
    if (supply.isolated) continue;
    // On a shared ground: one pole as ground, and clocks kept to themselves where that is possible.
    const pole = program.variable();
    const clock = program.variable();
    const mix = program.variable();
    mixed.push(mix);
    for (const { load, variable } of own) {
      program.row(
        [
          [variable, 1],
          [pole, load.ground === 'negative' ? 1 : -1],
        ],
        { upper: load.ground === 'negative' ? 1 : 0 },
      );
      program.row(
        [
          [variable, 1],
          [clock, load.digital ? -1 : 1],
          [mix, -1],
        ],
        { upper: load.digital ? 0 : 1 },
      );
    }
  }
  const stays = seats.filter(({ load, supply, outlet }) => load.on?.supply === supply.id && load.on.outlet === outlet);
  const outcome = solver(
    program,
    [
      { goals: [{ name: 'boxes without a supply', most: loads.length, terms: out.map((variable) => [variable, 1]) }] },
      {
        goals: [
          { name: 'digital with analogue', most: supplies.length, terms: mixed.map((variable) => [variable, 1]) },
        ],
      },
      {
        goals: [
          {
            name: 'changes',
            most: loads.length,
            offset: loads.length,
            terms: stays.map(({ variable }) => [variable, -1]),
          },
        ],
      },
    ],
    options,
  );
  return new Map(
    loads.map((load, n) => {
      const seat = seats.find((each) => each.n === n && outcome && outcome.solution[each.variable] > 0.5);
      return [load.id, seat && { supply: seat.supply.id, outlet: seat.outlet }];
    }),
  );
}
