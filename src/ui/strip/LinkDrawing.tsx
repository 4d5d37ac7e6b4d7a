import { useTheme } from '@mui/material/styles';
import { Fragment } from 'react';
import type { Contact, LinkView } from '@/core/gear';
import { rowOf } from './geometry';
import { Rail, type End } from './Rail';

interface Props {
  view: LinkView;
  x: number;
  width: number;
  /** Voltages of the socket's and of the plug's contacts. */
  before: Map<Contact, number | null>;
  after: Map<Contact, number | null>;
}

/** What a link does with its conductors: runs them through, swaps, breaks, joins or transforms them. */
export function LinkDrawing({ view, x, width, before, after }: Props) {
  const { palette } = useTheme().vars!;
  const ends = (path: LinkView['paths'][number]): { from: End; to: End } => ({
    from: { x, y: rowOf(view.input, path.from), volts: before.get(path.from) ?? null },
    to: { x: x + width, y: rowOf(view.output, path.to), volts: after.get(path.to) ?? null },
  });
  const stubs = [
    ...[...before]
      .filter(([contact]) => !view.paths.some(({ from }) => from === contact))
      .map(([contact, volts]) => ({ x, y: rowOf(view.input, contact), volts, way: 1 })),
    ...[...after]
      .filter(([contact]) => !view.paths.some(({ to }) => to === contact))
      .map(([contact, volts]) => ({ x: x + width, y: rowOf(view.output, contact), volts, way: -1 })),
  ];
  // Two conductors through one transformer are drawn as one.
  const wound = view.paths.filter(({ look }) => look === 'transformer');
  const whole = wound.length === 2 ? wound : [];
  const hasBlock = view.paths.some(({ look }) => look === 'transformer' || look === 'amplifier');
  return (
    <>
      {stubs.map(({ x: at, y, volts, way }) => {
        const length = Math.min(hasBlock ? width / 2 - 12 : width * 0.12, width / 2 - 12);
        const end = { x: at + way * length, y, volts };
        return (
          <Fragment key={`${at}${y}`}>
            <Rail from={{ x: at, y, volts }} to={end} />
            {!hasBlock && <circle cx={end.x} cy={y} r={2} fill="none" stroke={palette.text.secondary} />}
          </Fragment>
        );
      })}
      {whole.length > 0 && <Transformer paths={whole.map(ends)} x={x + width / 2} ink={palette.text.primary} />}
      {view.paths.map((path) => {
        if (whole.includes(path)) return null;
        const { from, to } = ends(path);
        const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
        const gap =
          path.look === 'wire'
            ? 0
            : path.look === 'open'
              ? 6
              : path.look === 'transformer' || path.look === 'amplifier'
                ? 12
                : 8;
        if (gap === 0) return <Wire key={`${path.from}${path.to}`} from={from} to={to} />;
        const at = path.look === 'open' ? from.x + gap * 1.5 + (width - gap * 3) * (path.at ?? 1) : middle.x;
        const share = (at - from.x) / (to.x - from.x);
        const y = from.y + (to.y - from.y) * (path.look === 'open' ? share : 0.5);
        return (
          <Fragment key={`${path.from}${path.to}`}>
            <Rail from={from} to={{ x: at - gap, y: path.look === 'open' ? y : from.y, volts: from.volts }} />
            <Rail from={{ x: at + gap, y: path.look === 'open' ? y : to.y, volts: to.volts }} to={to} />
            <Symbol
              look={path.look}
              x={at}
              from={from.y}
              to={to.y}
              y={y}
              ink={palette.text.primary}
              alarm={palette.verdict.Stop}
              ground={palette.background.paper}
            />
          </Fragment>
        );
      })}
      {view.bridges.map(({ contacts, look, at }, n) => {
        const [a, b] = contacts.map((contact) => rowOf(view.output, contact));
        const atX = x + width * at - n * 6;
        const colour = look === 'leak' ? palette.verdict.Watch : palette.verdict.Stop;
        return (
          <g key={n} stroke={colour} fill={colour}>
            <line
              x1={atX}
              y1={a}
              x2={atX}
              y2={b}
              strokeWidth={2}
              strokeDasharray={look === 'leak' ? '3 3' : undefined}
            />
            <circle cx={atX} cy={a} r={2.8} />
            <circle cx={atX} cy={b} r={2.8} />
          </g>
        );
      })}
    </>
  );
}

/** Two windings beside two core lines, each as tall as the rows it joins. */
function Transformer({ paths, x, ink }: { paths: { from: End; to: End }[]; x: number; ink: string }) {
  const side = (end: 'from' | 'to') => {
    const rows = paths.map((path) => path[end].y);
    return { top: Math.min(...rows), bottom: Math.max(...rows) };
  };
  const [primary, secondary] = [side('from'), side('to')];
  return (
    <>
      {paths.map(({ from, to }) => (
        <Fragment key={`${from.y}${to.y}`}>
          <Rail from={from} to={{ ...from, x: x - 8 }} />
          <Rail from={{ ...to, x: x + 8 }} to={to} />
        </Fragment>
      ))}
      <g stroke={ink} strokeWidth={1.4} fill="none">
        <path d={`M${x - 8} ${primary.top}${winding(primary.bottom - primary.top, 1)}`} />
        <path d={`M${x + 8} ${secondary.top}${winding(secondary.bottom - secondary.top, 0)}`} />
        <path
          d={`M${x - 1.5} ${Math.min(primary.top, secondary.top) - 2}V${Math.max(primary.bottom, secondary.bottom) + 2}m3 0V${Math.min(primary.top, secondary.top) - 2}`}
          strokeWidth={1}
        />
      </g>
    </>
  );
}

/** Half turns of some five pixels down a height, bulging to the right (1) or the left (0). */
function winding(height: number, sweep: 0 | 1): string {
  const turns = Math.max(2, Math.round(height / 5));
  const each = height / turns;
  return `a${each / 2 + 0.8} ${each / 2} 0 0 ${sweep} 0 ${each}`.repeat(turns);
}

/** Straight where it stays in its row, else slanting over in the middle third. */
function Wire({ from, to }: { from: End; to: End }) {
  if (Math.abs(from.y - to.y) < 0.5) return <Rail from={from} to={to} />;
  const third = (to.x - from.x) / 3;
  const a = { x: from.x + third, y: from.y, volts: from.volts };
  const b = { x: to.x - third, y: to.y, volts: to.volts };
  return (
    <>
      <Rail from={from} to={a} />
      <Rail from={a} to={b} />
      <Rail from={b} to={to} />
    </>
  );
}

interface SymbolProps {
  look: LinkView['paths'][number]['look'];
  x: number;
  y: number;
  from: number;
  to: number;
  ink: string;
  alarm: string;
  ground: string;
}

function Symbol({ look, x, y, from, to, ink, alarm, ground }: SymbolProps) {
  switch (look) {
    case 'open':
      return <path d={`M${x - 5} ${y - 5}l10 10m0-10l-10 10`} stroke={alarm} strokeWidth={2.2} fill="none" />;
    case 'resistor':
      return <rect x={x - 8} y={y - 3.5} width={16} height={7} fill={ground} stroke={ink} strokeWidth={1.2} />;
    case 'capacitor':
      return (
        <path
          d={`M${x - 2.5} ${y - 5.5}v11M${x + 2.5} ${y - 5.5}v11M${x - 8} ${y}h5.5M${x + 2.5} ${y}h5.5`}
          stroke={ink}
          strokeWidth={1.5}
          fill="none"
        />
      );
    case 'transformer':
      return (
        <g stroke={ink} strokeWidth={1.4} fill="none">
          <path d={`M${x - 12} ${from}h4${coil(1)}`} />
          <path d={`M${x + 12} ${to}h-4${coil(-1)}`} />
          <path d={`M${x - 1} ${from - 6}v12M${x + 1} ${to - 6}v12`} strokeWidth={1} />
        </g>
      );
    case 'amplifier':
      return (
        <>
          <path d={`M${x - 12} ${from}L${x - 8} ${y}M${x + 12} ${to}L${x + 8} ${y}`} stroke={ink} strokeWidth={1.2} />
          <path d={`M${x - 8} ${y - 8}v16l16-8z`} fill={ground} stroke={ink} strokeWidth={1.4} />
        </>
      );
    case 'wire':
      return null;
  }
}

/** Three half turns, centred on the rail. */
const coil = (side: 1 | -1): string => {
  const turn = `a2.6 2 0 0 ${side === 1 ? 1 : 0} 0 4`;
  return `m0 -6${turn}${turn}${turn}`;
};
