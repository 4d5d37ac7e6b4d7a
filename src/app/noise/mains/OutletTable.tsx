'use client';

import { isUsed, withOutlet, withoutOutlet, type MainsReport } from '@/core/mains';
import type { Outlet, RigDocument } from '@/core/rig';
import { OUTLET_FIGURES } from '@/core/rig/deviceFigures';
import { quantity } from '@/core/units/format';
import { FigureCell } from './FigureCell';
import { MainsTable } from './MainsTable';
import { RemoveButton } from './RemoveButton';
import { SelectCell } from './SelectCell';
import { outletTable as text } from './texts';

interface Props {
  document: RigDocument;
  report: MainsReport;
  onChange: (change: (from: RigDocument) => RigDocument) => void;
}

type OutletFigure = keyof typeof OUTLET_FIGURES;
/** What can be stated of an outlet: its heading, and what stands in its field where nobody has. */
const FIELDS: readonly [figure: OutletFigure, heading: string, usual: string][] = [
  ['length', text.leadM, text.usual],
  ['section', text.sectionMm, text.usual],
  ['earth', text.earthPath, text.notRead],
  ['rating', text.ratingA, text.unknown],
  ['backup', text.upsWh, text.none],
];
const WALL = '';

/** Every outlet and strip: what it is plugged into, its lead, its load. */
export function OutletTable({ document, report: { system, readings }, onChange }: Props) {
  const set = (name: string, more: Partial<Outlet>) =>
    onChange((from) => {
      // What an outlet is plugged into has to be there, too.
      const rig = more.from === undefined ? from : withOutlet(from, more.from, (upper) => upper);
      return withOutlet(rig, name, (own) => clean({ ...own, ...more }));
    });
  if (system.outlets.length === 0) return null;
  return (
    <MainsTable
      title={text.outletsAndStrips}
      headings={[text.outlet, text.pluggedInto, ...FIELDS.map(([, heading]) => heading), text.load, '']}
    >
      {system.outlets.map(({ name, from }) => {
        const own = document.mains?.outlets?.find((each) => each.name === name);
        const load = readings.loads.find(({ outlet }) => outlet === name);
        const inEarth = readings.earth.find((each) => 'outlet' in each && each.outlet === name)?.amps;
        return (
          <tr key={name}>
            <th scope="row">{name}</th>
            <td>
              <SelectCell
                label={text.isPluggedInto(name)}
                value={from ?? WALL}
                options={[
                  [WALL, text.theWall],
                  ...system.outlets
                    .filter((other) => !isBehind(system, other.name, name))
                    .map((other) => [other.name, other.name] as const),
                ]}
                width={150}
                onChoose={(to) => set(name, { from: to || undefined })}
              />
            </td>
            {FIELDS.map(([figure, , usual]) => (
              <td key={figure}>
                <FigureCell
                  label={text.figureOf(OUTLET_FIGURES[figure].label, name)}
                  range={OUTLET_FIGURES[figure]}
                  usual={usual}
                  value={own?.[figure]}
                  onSet={(to) => set(name, { [figure]: to })}
                />
              </td>
            ))}
            <td>
              {load && `${quantity(load.amps, 'A')}, ${quantity(load.watts, 'W')}`}
              {inEarth !== undefined && <div>{text.inItsEarth(quantity(inEarth, 'A'))}</div>}
              {load?.lasts !== undefined && <div>{text.lastsAboutMin(Math.round(load.lasts / 60))}</div>}
            </td>
            <td>
              {own && !isUsed(document, name) && (
                <RemoveButton
                  label={text.remove(name)}
                  onRemove={() => onChange((from) => withoutOutlet(from, name))}
                />
              )}
            </td>
          </tr>
        );
      })}
    </MainsTable>
  );
}

/** Whether an outlet is another one, or is plugged into it, directly or not. */
function isBehind({ outlets }: MainsReport['system'], name: string, on: string): boolean {
  for (let at: string | undefined = name; at !== undefined; at = outlets.find((each) => each.name === at)?.from)
    if (at === on) return true;
  return false;
}

const clean = (outlet: Outlet): Outlet =>
  Object.fromEntries(Object.entries(outlet).filter(([, value]) => value !== undefined)) as unknown as Outlet;
