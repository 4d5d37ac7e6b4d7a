'use client';

import Box from '@mui/material/Box';
import { useColorScheme, useTheme } from '@mui/material/styles';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useLayoutEffect, useRef, useState } from 'react';
import type { LineResult, ProbeTip } from '@/core/check';
import { CONNECTORS, mate, type ConnectorId, type Contact } from '@/core/gear';
import { quantity } from '@/core/units/format';
import { columns, HEIGHT, JOINT, leastWidth, rowOf, socketVolts, type Columns } from './geometry';
import { LinkDrawing } from './LinkDrawing';
import { Rail } from './Rail';

type Junction = LineResult['readings']['junctions'][number];
type Scheme = 'light' | 'dark';

interface Props {
  result: LineResult;
  /** What stands above the columns: the source's, each link's and the inlet's label. */
  labels: (columns: Columns) => React.ReactNode;
  tips: { red?: ProbeTip; black?: ProbeTip };
  onTip: (tip: ProbeTip) => void;
}

/** The line drawn: its conductors from the source at the left to the inlet at the right. */
export function Strip({ result, labels, tips, onTip }: Props) {
  const holder = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState(700);
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) => setRoom(entry.contentRect.width));
    if (holder.current) observer.observe(holder.current);
    return () => observer.disconnect();
  }, []);
  const scheme = useScheme();
  const { junctions } = result.readings;
  const width = Math.max(room, leastWidth(result.links.length));
  const grid = columns(width, result.links.length);
  const last = junctions.length - 1;

  return (
    <Box ref={holder} sx={{ width: '100%', overflowX: 'auto' }}>
      <Box sx={{ position: 'relative', width, minHeight: 54 }}>{labels(grid)}</Box>
      <svg width={width} height={HEIGHT} role="img" aria-label={describe(result)} style={{ display: 'block' }}>
        <Ends grid={grid} first={junctions[0]} last={junctions[last]} scheme={scheme} />
        {result.links.map((view, n) => (
          <LinkDrawing
            key={n}
            view={view}
            {...grid.link(n)}
            scheme={scheme}
            before={socketVolts(junctions[n])}
            after={new Map(junctions[n + 1].contacts.map(({ contact, volts }) => [contact, volts]))}
          />
        ))}
        {junctions.map((junction, n) => (
          <Joint
            key={n}
            junction={junction}
            x={grid.junction(n)}
            scheme={scheme}
            show={figuresAt(junctions, n)}
            tips={tips}
            onTip={(contact) => onTip({ junction: n, contact })}
            n={n}
            last={n === last}
          />
        ))}
      </svg>
    </Box>
  );
}

export function useScheme(): Scheme {
  const { colorScheme } = useColorScheme();
  const dark = useMediaQuery('(prefers-color-scheme: dark)');
  return colorScheme ?? (dark ? 'dark' : 'light');
}

const describe = (result: LineResult): string =>
  result.readings.junctions
    .map(
      ({ at, contacts }) =>
        `${at}: ${contacts.map(({ contact, volts }) => `${contact} ${volts === null ? 'floats' : `${figure(volts)} V`}`).join(', ')}`,
    )
    .join('; ');

/** Voltages are written at both ends of the line and wherever they change on the way. */
function figuresAt(junctions: Junction[], n: number): (contact: Contact) => boolean {
  if (n === 0 || n === junctions.length - 1) return () => true;
  const before = new Map(junctions[n - 1].contacts.map(({ contact, volts }) => [contact, volts]));
  return (contact) => {
    const here = junctions[n].contacts.find((reading) => reading.contact === contact)?.volts ?? null;
    const there = before.get(contact);
    return (
      there === undefined ||
      (here === null) !== (there === null) ||
      Math.abs((here ?? 0) - (there ?? 0)) > 0.02 * Math.max(Math.abs(here ?? 0), 1)
    );
  };
}

function Ends({ grid, first, last, scheme }: { grid: Columns; first: Junction; last: Junction; scheme: Scheme }) {
  const { palette } = useTheme().vars!;
  const left = grid.junction(0);
  const right = last === first ? left + JOINT : grid.width - grid.inlet;
  // Rails of a line without links run on to the middle, where plug and socket meet.
  const [sourceX, inletX] = [26, grid.width - 16];
  const block = (x: number, connector: ConnectorId, anchor: 'source' | 'inlet') => {
    const rows = CONNECTORS[connector].contacts.map((contact) => rowOf(connector, contact));
    const [top, bottom] = [Math.min(...rows) - 12, Math.max(...rows) + 12];
    return anchor === 'source' ? (
      <path
        d={`M${x} ${top}h-6a18 ${(bottom - top) / 2} 0 0 0 0 ${bottom - top}h6z`}
        fill={palette.background.default}
        stroke={palette.text.secondary}
        strokeWidth={1.2}
      />
    ) : (
      <path
        d={`M${x} ${top}h12v${bottom - top}h-12`}
        fill={palette.background.default}
        stroke={palette.text.secondary}
        strokeWidth={1.2}
      />
    );
  };
  return (
    <g>
      {first.contacts.map(({ contact, volts }) => {
        const y = rowOf(first.plug, contact);
        return <Rail key={contact} from={{ x: sourceX, y, volts }} to={{ x: left, y, volts }} scheme={scheme} />;
      })}
      {block(sourceX, first.plug, 'source')}
      {[...socketVolts(last)].map(([contact, volts]) => {
        const y = rowOf(last.socket, contact);
        return <Rail key={contact} from={{ x: right, y, volts }} to={{ x: inletX, y, volts }} scheme={scheme} />;
      })}
      {block(inletX, last.socket, 'inlet')}
    </g>
  );
}

interface JointProps {
  junction: Junction;
  n: number;
  last: boolean;
  x: number;
  scheme: Scheme;
  show: (contact: Contact) => boolean;
  tips: Props['tips'];
  onTip: (contact: Contact) => void;
}

/** Plug in socket: contacts that touch are joined, those that do not end in the air; each takes the probe. */
function Joint({ junction, n, last, x, scheme, show, tips, onTip }: JointProps) {
  const { palette } = useTheme().vars!;
  const { plug, socket, fits, contacts } = junction;
  const volts = new Map(contacts.map(({ contact, volts: value }) => [contact, value]));
  const same = plug === socket;
  return (
    <g>
      <line x1={x} x2={x} y1={10} y2={HEIGHT - 12} stroke={palette.divider} />
      {!same && <line x1={x + JOINT} x2={x + JOINT} y1={10} y2={HEIGHT - 12} stroke={palette.divider} />}
      {fits &&
        [...socketVolts(junction).keys()].map((contact) => {
          const from = touchingPlug(junction, contact);
          if (!from) return null;
          const value = volts.get(from) ?? null;
          return (
            <Rail
              key={contact}
              from={{ x, y: rowOf(plug, from), volts: value }}
              to={{ x: x + JOINT, y: rowOf(socket, contact), volts: value }}
              scheme={scheme}
            />
          );
        })}
      {!fits && (
        <path d={`M${x + 4} ${HEIGHT / 2 - 7}l14 14m0-14l-14 14`} stroke={palette.verdict.Stop} strokeWidth={2.2} />
      )}
      {contacts.map(({ contact, volts: value, amps }) => {
        const y = rowOf(plug, contact);
        const [red, black] = [tips.red, tips.black].map((tip) => tip?.junction === n && tip.contact === contact);
        const first = n === 0;
        return (
          <g key={contact}>
            {show(contact) && (
              <text
                x={first ? x - 5 : x + JOINT + 5}
                y={y - 7}
                textAnchor={first ? 'end' : 'start'}
                fontSize={12}
                fontWeight={600}
                fill={palette.text.primary}
              >
                {value === null ? 'floats' : figure(value)}
              </text>
            )}
            {amps !== null && Math.abs(amps) > 1e-6 && (n === 0 || last) && (
              <text
                x={first ? x - (same ? 5 : 16) : x + JOINT + 5}
                y={y + 15}
                textAnchor={first ? 'end' : 'start'}
                fontSize={11}
                fill={palette.text.secondary}
              >
                {quantity(Math.abs(amps), 'A')}
              </text>
            )}
            <text
              x={same ? x + 4 : x - 5}
              y={y + 13}
              textAnchor={same ? 'start' : 'end'}
              fontSize={10}
              fill={palette.text.secondary}
            >
              {contact}
            </text>
            <circle
              cx={x}
              cy={y}
              r={11}
              fill="transparent"
              style={{ cursor: 'crosshair' }}
              onClick={() => onTip(contact)}
            >
              <title>{`Probe contact ${contact}`}</title>
            </circle>
            <circle
              cx={x}
              cy={y}
              r={red || black ? 5 : 2.6}
              fill={red ? palette.verdict.Stop : black ? palette.text.primary : palette.background.paper}
              stroke={red ? palette.verdict.Stop : palette.text.secondary}
              strokeWidth={1.2}
              pointerEvents="none"
            />
          </g>
        );
      })}
    </g>
  );
}

const touchingPlug = ({ plug, socket }: Junction, contact: Contact): Contact | undefined =>
  mate(plug, socket)?.[contact];

/** Volts without the unit, to the digits that a meter on the 60 V range shows. */
const figure = (volts: number): string =>
  Math.abs(volts) < 0.005 ? '0' : volts.toFixed(Math.abs(volts) < 10 ? 2 : 1).replace('-', '−');
