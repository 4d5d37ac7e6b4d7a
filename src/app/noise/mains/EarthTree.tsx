'use client';

import { useTheme } from '@mui/material/styles';
import { useId, useMemo } from 'react';
import type { MainsReport } from '@/core/mains';
import { quantity } from '@/core/units/format';
import { Plug, PlugByHand, PlugTarget } from './PlugByHand';
import { BUS, treeLayout } from './treeLayout';
import { earthTree as texts } from './texts';

/** The tree of earth conductors from the left, shields and what else closes loops at the right. */
export function EarthTree({
  report,
  onPlug,
}: {
  report: MainsReport;
  /** A unit was drawn onto an outlet; undefined for the wall. */
  onPlug: (unit: string, outlet: string | undefined) => void;
}) {
  const { palette } = useTheme().vars!;
  const id = useId();
  const layout = useMemo(() => treeLayout(report), [report]);
  const { loops } = report.readings;
  const [worst] = loops;
  const inLoop = new Set(worst?.units);
  const outletsInLoop = new Set(outletsOf(report, worst?.units ?? []));
  const numberOf = (tie: string) => loops.findIndex(({ ties }) => ties[0] === tie) + 1;
  const weight = (heavy: boolean, amps = 0) => (heavy ? HEAVY : byCurrent(amps));
  const earthOf = useMemo(() => earthAmps(report), [report]);
  const ampsOf = (tie: string) => loops.find(({ ties }) => ties[0] === tie)?.amps ?? 0;
  // Heavy is what matters most; alarming only where it is heard.
  const alarm = report.findings.some(({ code }) => code === 'hum') ? palette.verdict.Watch : palette.text.primary;
  const ink = (heavy: boolean) => (heavy ? alarm : palette.text.secondary);
  const elbow = (from: { x: number; y: number }, to: { x: number; y: number }, bend: number) =>
    `M${from.x} ${from.y}H${bend}V${to.y}H${to.x}`;
  return (
    <PlugByHand units={report.system.units} onPlug={onPlug}>
      <svg
        width={layout.width}
        height={layout.height}
        role="img"
        aria-labelledby={id}
        style={{ display: 'block', fontSize: 13, fontFamily: 'inherit' }}
      >
        <title id={id}>{spoken(report)}</title>
        {heavyLast(layout.outlets, ({ name }) => outletsInLoop.has(name)).map(({ name, x, y, from }) => (
          <path
            key={name}
            d={elbow(from, { x, y }, from.x + BUS)}
            fill="none"
            stroke={ink(outletsInLoop.has(name))}
            strokeWidth={weight(outletsInLoop.has(name), earthOf.outlets.get(name))}
          />
        ))}
        {heavyLast(layout.units, ({ id: unit }) => inLoop.has(unit)).map(({ id: unit, x, y, from }) =>
          from ? (
            <path
              key={unit}
              d={elbow(from, { x: x - 8, y }, from.x + BUS)}
              fill="none"
              stroke={ink(inLoop.has(unit))}
              strokeWidth={weight(inLoop.has(unit), earthOf.units.get(unit))}
            />
          ) : null,
        )}
        <PlugTarget outlet={undefined}>
          {(over) => <Tag x={layout.wall.x} y={layout.wall.y} text="wall" over={over} />}
        </PlugTarget>
        {layout.outlets.map(({ name, x, y }) => (
          <PlugTarget key={name} outlet={name}>
            {(over) => <Tag x={x} y={y} text={name} over={over} />}
          </PlugTarget>
        ))}
        {layout.units.map(({ id: unit, name, x, y, how }) => (
          <Plug key={unit} unit={unit}>
            <text x={x} y={y + 4} fill={palette.text.primary} fontWeight={inLoop.has(unit) ? 700 : 400}>
              {short(name, how ? 18 : 26)}
              {how && (
                <tspan fill={palette.text.secondary} fontWeight={400} fontSize={12}>
                  {' '}
                  · {how}
                </tspan>
              )}
            </text>
          </Plug>
        ))}
        {layout.ties.map(({ id: tie, x, y: [from, to], at, open }, n) => {
          const number = numberOf(tie);
          const heavy = number === 1;
          return (
            <g key={tie}>
              <path
                d={`M${at} ${from}H${x}V${to}H${at}`}
                fill="none"
                stroke={ink(heavy)}
                strokeWidth={weight(heavy, ampsOf(tie))}
                strokeDasharray={open ? '2 7' : `${5 + 3 * (n % 3)} 3`}
              />
              {number > 0 && (
                <>
                  <circle cx={x} cy={(from + to) / 2} r={9} fill={palette.background.default} stroke={ink(heavy)} />
                  <text
                    x={x}
                    y={(from + to) / 2 + 4}
                    textAnchor="middle"
                    fontSize={12}
                    fontWeight={700}
                    fill={palette.text.primary}
                  >
                    {number}
                  </text>
                </>
              )}
            </g>
          );
        })}
      </svg>
    </PlugByHand>
  );
}

const [LIGHT, HEAVY] = [1.2, 3.5];
/** What runs in every earth conductor. */
const earthAmps = ({ readings: { earth } }: MainsReport) => ({
  outlets: new Map(earth.flatMap((each) => ('outlet' in each ? [[each.outlet, each.amps] as const] : []))),
  units: new Map(earth.flatMap((each) => ('unit' in each ? [[each.unit, each.amps] as const] : []))),
});

/** A conductor by what runs in it: one microampere is drawn light, one ampere nearly heavy. */
const byCurrent = (amps: number): number =>
  Math.min(HEAVY - 0.5, LIGHT + 0.3 * Math.max(0, Math.log10(Math.max(amps, 1e-6) / 1e-6)));

/** What is heavy lies on top of the rest. */
const heavyLast = <T,>(list: readonly T[], heavy: (each: T) => boolean): T[] => [
  ...list.filter((each) => !heavy(each)),
  ...list.filter(heavy),
];

/** An outlet or the wall, on an opaque ground. */
function Tag({ x, y, text, over }: { x: number; y: number; text: string; over: boolean }) {
  const { palette } = useTheme().vars!;
  const label = short(text, 15);
  const width = Math.max(44, 8 + 7 * label.length);
  return (
    <>
      <rect
        x={x - width / 2}
        y={y - 11}
        width={width}
        height={22}
        fill={palette.background.paper}
        stroke={over ? palette.primary.main : palette.divider}
        strokeWidth={over ? 2.5 : 1}
      />
      <text x={x} y={y + 4} textAnchor="middle" fontSize={12} fill={palette.text.primary}>
        {label}
      </text>
    </>
  );
}

const short = (text: string, most: number): string => (text.length > most ? `${text.slice(0, most - 1)}…` : text);

/** Outlets between some units and the wall. */
function outletsOf({ system }: MainsReport, units: readonly string[]): string[] {
  return units.flatMap((id) => {
    const unit = system.units.find((each) => each.id === id);
    const way: string[] = [];
    for (let at = unit?.outlet; at !== undefined; at = system.outlets.find(({ name }) => name === at)?.from)
      way.push(at);
    return way;
  });
}

function spoken({ system, readings }: MainsReport): string {
  const nameOf = (id: string) => system.units.find((unit) => unit.id === id)?.name ?? id;
  const loops = readings.loops.map(({ units, amps }, n) =>
    texts.loop(n + 1, units.map(nameOf).join(', '), quantity(amps, 'A')),
  );
  return texts.unitsOnOutlets(system.units.length, system.outlets.length, loops.join(' ') || texts.noLoop);
}
