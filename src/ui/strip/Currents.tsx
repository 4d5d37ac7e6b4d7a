import { keyframes, useTheme } from '@mui/material/styles';
import Box from '@mui/material/Box';
import type { LineResult } from '@/core/check';
import { quantity } from '@/core/units/format';
import { rowOf, type Columns } from './geometry';

interface Props {
  result: LineResult;
  grid: Columns;
  /** The marks move along for a while. */
  flows: boolean;
}

/** Below this no current is drawn, in amperes: a meter on its usual range shows none. */
const LEAST = 5e-5;
/** Distance of two marks and their size, in pixels, by current: from 0.1 mA to 100 mA. */
const spacing = (amps: number): number => clamp(44 - 14 * decades(amps), 14, 60);
const size = (amps: number): number => clamp(2.6 + 0.9 * decades(amps), 2, 4.4);
const decades = (amps: number): number => Math.log10(Math.abs(amps) * 1e3);
const clamp = (value: number, least: number, most: number): number => Math.min(Math.max(value, least), most);

interface Stretch {
  from: { x: number; y: number };
  to: { x: number; y: number };
  /** Towards the source. */
  amps: number;
}

/** Where direct current flows, marks along the rail in its direction: the closer and the larger, the more of it. */
export function Currents({ result, grid, flows }: Props) {
  const { palette } = useTheme().vars!;
  const { junctions, windings } = result.readings;
  const last = junctions.length - 1;
  const at = (n: number, contact: string) =>
    junctions[n].contacts.find((reading) => reading.contact === contact)?.amps ?? 0;
  const stretches: Stretch[] = [
    ...junctions[0].contacts.map(({ contact, amps }): Stretch => {
      const y = rowOf(junctions[0].plug, contact);
      return { from: { x: 48, y }, to: { x: grid.junction(0), y }, amps: amps ?? 0 };
    }),
    ...result.links.flatMap(({ input, output, paths }, n) => {
      const { x, width } = grid.link(n);
      return paths.flatMap(({ from, to }): Stretch[] => {
        const [start, end] = [
          { x, y: rowOf(input, from) },
          { x: x + width, y: rowOf(output, to) },
        ];
        const middle = { x: x + width / 2, y: (start.y + end.y) / 2 };
        return [
          { from: start, to: middle, amps: at(n, from) },
          { from: middle, to: end, amps: at(n + 1, to) },
        ];
      });
    }),
    ...junctions[last].contacts.map(({ contact, amps }): Stretch => {
      const y = rowOf(junctions[last].plug, contact);
      return { from: { x: grid.width - grid.end, y }, to: { x: grid.width - 45, y }, amps: amps ?? 0 };
    }),
  ].filter(({ amps }) => Math.abs(amps) >= LEAST);
  const stop = result.verdict === 'Stop';
  const over = windings.find(({ amps, limit }) => amps > limit);
  const first = result.links.length ? grid.link(0) : { x: grid.junction(0), width: 60 };
  const text = over && quantity(over.amps, 'A');
  return (
    <g fill="none" stroke={stop ? palette.verdict.Stop : palette.text.primary} strokeWidth={stop ? 1.5 : 1.1}>
      {flows ? (
        stretches.map((stretch, n) => <Flowing key={n} {...stretch} />)
      ) : (
        <path d={stretches.map((stretch) => marks(stretch, 0)).join('')} />
      )}
      {text && (
        <g stroke="none">
          <rect
            x={first.x + 12}
            y={rowOf(junctions[0].plug, junctions[0].contacts[0].contact) - 7}
            width={text.length * 6.6 + 8}
            height={14}
            fill={palette.background.default}
          />
          <text
            x={first.x + 16}
            y={rowOf(junctions[0].plug, junctions[0].contacts[0].contact) + 4.2}
            fontSize={12}
            fontWeight={700}
            fill={palette.verdict.Stop}
          >
            {text}
          </text>
        </g>
      )}
    </g>
  );
}

/** Arrowheads along a stretch, as a path. @param back by how much of their distance they begin earlier */
function marks({ from, to, amps }: Stretch, back: number): string {
  const { x, y, ux, uy, length } = way({ from, to, amps });
  const step = spacing(amps);
  const count = Math.floor((length - 4) / step);
  if (count < 1 && length < 12) return '';
  const reach = size(amps);
  const offset = (length - Math.max(count - 1, 0) * step) / 2 - back * step;
  return Array.from({ length: Math.max(count, 1) }, (_, n) => {
    const [tipX, tipY] = [x + ux * (offset + n * step), y + uy * (offset + n * step)];
    const corner = (side: 1 | -1) =>
      `${(tipX - ux * reach - side * uy * reach).toFixed(1)} ${(tipY - uy * reach + side * ux * reach).toFixed(1)}`;
    return `M${corner(1)}L${tipX.toFixed(1)} ${tipY.toFixed(1)}L${corner(-1)}`;
  }).join('');
}

/** Where a current enters a stretch, and which way it goes. */
function way({ from, to, amps }: Stretch) {
  const [start, end] = amps > 0 ? [to, from] : [from, to];
  const length = Math.hypot(end.x - start.x, end.y - start.y);
  return { ...start, ux: (end.x - start.x) / length, uy: (end.y - start.y) / length, length };
}

const along = keyframes`from { transform: none; } to { transform: translate(var(--dx), var(--dy)); }`;

/**
 * They move for less than five seconds, so that nothing needs to stop them (WCAG 2.2.2), and end half-way, where those of
 * other lines stand; a page that rests draws nothing.
 */
const FLOWING = '1.4s linear 2.5';
const RESTING = 'translate(calc(var(--dx) / 2), calc(var(--dy) / 2))';

/** The arrowheads of a stretch, moving on by their distance and beginning anew. */
function Flowing(stretch: Stretch) {
  const { ux, uy } = way(stretch);
  const step = spacing(stretch.amps);
  return (
    <Box
      component="path"
      d={marks(stretch, 0.5)}
      style={{ '--dx': `${ux * step}px`, '--dy': `${uy * step}px` } as React.CSSProperties}
      sx={{ transform: RESTING, animation: `${along} ${FLOWING}` }}
    />
  );
}
