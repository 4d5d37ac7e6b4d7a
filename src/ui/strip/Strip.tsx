'use client';

import { useTheme } from '@mui/material/styles';
import { Fragment, memo } from 'react';
import type { LineResult, ProbeTip } from '@/core/check';
import { CONNECTORS, mate, type ConnectorId, type Contact } from '@/core/gear';
import { columns, HEIGHT, JOINT, leastWidth, rowOf, socketVolts, type Columns } from './geometry';
import { Currents } from './Currents';
import { LinkDrawing } from './LinkDrawing';
import { Rail } from './Rail';
import { figure, spoken } from './spoken';
import { strip as texts } from './texts';

type Junction = LineResult['readings']['junctions'][number];

interface Props {
  result: LineResult;
  /** Width there is, in pixels. */
  room: number;
  /** What stands above the columns of so many links in so much width: each link's label, and whatever is pressed there. */
  labels?: (width: number, links: number) => React.ReactNode;
  /** Marks of the current move along. */
  flows?: boolean;
  /** Present where the probe can be put on the contacts. */
  probe?: { tips: { red?: ProbeTip; black?: ProbeTip }; onTip: (tip: ProbeTip) => void };
}

/** The line drawn: its conductors from the source at the left to the inlet at the right. */
export const Strip = memo(function Strip({ result, room, labels, flows = false, probe }: Props) {
  const { junctions } = result.readings;
  const width = Math.max(room, leastWidth(result.links.length));
  const grid = columns(width, result.links.length);
  const last = junctions.length - 1;
  return (
    <div style={{ width: '100%', overflowX: width > room ? 'auto' : 'hidden', overflowY: 'hidden' }}>
      {labels?.(width, result.links.length)}
      <svg
        width={width}
        height={HEIGHT}
        role="img"
        aria-label={spoken(result)}
        style={{ display: 'block', fontFamily: 'inherit' }}
      >
        <Ends grid={grid} first={junctions[0]} last={junctions[last]} />
        {result.links.map((view, n) => (
          <LinkDrawing
            key={n}
            view={view}
            {...grid.link(n)}
            before={socketVolts(junctions[n])}
            after={new Map(junctions[n + 1].contacts.map(({ contact, volts }) => [contact, volts]))}
          />
        ))}
        <Currents result={result} grid={grid} flows={flows} />
        {junctions.map((junction, n) => (
          <Joint key={n} junctions={junctions} n={n} x={grid.junction(n)} probe={probe} />
        ))}
      </svg>
    </div>
  );
});

/** Contacts whose voltage changes between two junctions; at both ends every one is written. */
function changesAt(junctions: Junction[], n: number): (contact: Contact) => boolean {
  const before = new Map(junctions[n - 1].contacts.map(({ contact, volts }) => [contact, volts]));
  return (contact) => {
    const here = junctions[n].contacts.find((reading) => reading.contact === contact)?.volts ?? null;
    const there = before.get(contact);
    // Nothing on a contact that was not there before is no news.
    if (there === undefined && Math.abs(here ?? 0) < 0.005) return false;
    return (
      there === undefined ||
      (here === null) !== (there === null) ||
      Math.abs((here ?? 0) - (there ?? 0)) > 0.02 * Math.max(Math.abs(here ?? 0), 1)
    );
  };
}

/** Source and inlet: their outline, and the voltage of each contact beside it. */
function Ends({ grid, first, last }: { grid: Columns; first: Junction; last: Junction }) {
  const { palette } = useTheme().vars!;
  const [left, right] = [grid.junction(0), grid.width - grid.end];
  const [sourceX, inletX] = [14, grid.width - 12];
  const rows = (connector: ConnectorId) => CONNECTORS[connector].contacts.map((contact) => rowOf(connector, contact));
  const block = { width: 5, fill: palette.text.secondary, opacity: 0.55 };
  const [top, bottom] = [Math.min(...rows(first.plug)) - 5, Math.max(...rows(first.plug)) + 5];
  const [inletTop, inletBottom] = [Math.min(...rows(last.socket)) - 5, Math.max(...rows(last.socket)) + 5];
  const label = (x: number, y: number, volts: number | null, anchor: 'start' | 'end') => (
    <text
      x={x}
      y={y + 3.7}
      textAnchor={anchor}
      fontSize={12}
      fontWeight={Math.abs(volts ?? 0) < 0.005 ? 400 : 650}
      fill={Math.abs(volts ?? 0) < 0.005 ? palette.text.secondary : palette.text.primary}
    >
      {volts === null ? '–' : figure(volts)}
    </text>
  );
  return (
    <>
      {first.contacts.map(({ contact, volts }) => {
        const y = rowOf(first.plug, contact);
        return (
          <Fragment key={contact}>
            <Rail from={{ x: sourceX + 34, y, volts }} to={{ x: left, y, volts }} />
            {label(sourceX + 31, y, volts, 'end')}
          </Fragment>
        );
      })}
      <rect x={sourceX - 12} y={top} height={bottom - top} rx={2.5} {...block} />
      {[...socketVolts(last)].map(([contact, volts]) => {
        const y = rowOf(last.socket, contact);
        const start = last === first ? left + JOINT : right;
        return (
          <Fragment key={contact}>
            <Rail from={{ x: start, y, volts }} to={{ x: inletX - 33, y, volts }} />
            {label(inletX - 3, y, volts, 'end')}
          </Fragment>
        );
      })}
      <rect x={inletX + 3} y={inletTop} height={inletBottom - inletTop} {...block} />
    </>
  );
}

interface JointProps {
  junctions: Junction[];
  n: number;
  x: number;
  probe: Props['probe'];
}

/** Plug in socket: contacts that touch are joined, those that do not end in the air; each takes the probe. */
function Joint({ junctions, n, x, probe }: JointProps) {
  const { palette } = useTheme().vars!;
  const junction = junctions[n];
  const { plug, socket, fits, contacts } = junction;
  const volts = new Map(contacts.map(({ contact, volts: value }) => [contact, value]));
  const show = n === 0 || n === junctions.length - 1 ? () => false : changesAt(junctions, n);
  return (
    <>
      <line x1={x} x2={x} y1={2} y2={HEIGHT - 3} stroke={palette.divider} />
      {plug !== socket && <line x1={x + JOINT} x2={x + JOINT} y1={2} y2={HEIGHT - 3} stroke={palette.divider} />}
      {fits &&
        [...socketVolts(junction).keys()].map((contact) => {
          const from = mate(plug, socket)?.[contact];
          if (!from) return null;
          const value = volts.get(from) ?? null;
          return (
            <Rail
              key={contact}
              from={{ x, y: rowOf(plug, from), volts: value }}
              to={{ x: x + JOINT, y: rowOf(socket, contact), volts: value }}
            />
          );
        })}
      {!fits && (
        <path
          d={`M${x + 1} ${HEIGHT / 2 - 6}l10 12m0-12l-10 12`}
          stroke={palette.verdict.Stop}
          strokeWidth={2.2}
          fill="none"
        />
      )}
      {contacts.map(({ contact, volts: value }) =>
        show(contact) ? (
          <Volts key={contact} x={x + JOINT + 3} y={rowOf(plug, contact)}>
            {value === null ? '–' : figure(value)}
          </Volts>
        ) : null,
      )}
      {probe && contacts.map(({ contact }) => <Tip key={contact} {...{ contact, plug, n, x, probe }} />)}
    </>
  );
}

/** Width of a tabular digit at the size of the figures. */
const DIGIT = 7.3;

/** A figure on a rail, which does not show through: over a line a point reads as a colon. */
function Volts({ x, y, children }: { x: number; y: number; children: string }) {
  const { palette } = useTheme().vars!;
  return (
    <>
      <rect
        x={x - 2}
        y={y - 6}
        width={children.length * DIGIT + (children.includes('.') ? 1 : 4)}
        height={12}
        fill={palette.background.default}
      />
      <text x={x} y={y + 3.7} fontSize={12} fontWeight={600} fill={palette.text.primary}>
        {children}
      </text>
    </>
  );
}

interface TipProps {
  contact: Contact;
  plug: ConnectorId;
  n: number;
  x: number;
  probe: NonNullable<Props['probe']>;
}

/** A contact that takes a tip of the probe. */
function Tip({ contact, plug, n, x, probe: { tips, onTip } }: TipProps) {
  const { palette } = useTheme().vars!;
  const y = rowOf(plug, contact);
  const [red, black] = [tips.red, tips.black].map((tip) => tip?.junction === n && tip.contact === contact);
  return (
    <g style={{ cursor: 'crosshair' }} onClick={() => onTip({ junction: n, contact })}>
      <title>{texts.probeContact(contact)}</title>
      <circle cx={x} cy={y} r={7.5} fill="transparent" />
      <circle
        cx={x}
        cy={y}
        r={red || black ? 4.5 : 2.6}
        fill={red ? palette.verdict.Stop : black ? palette.text.primary : palette.background.paper}
        stroke={red ? palette.verdict.Stop : palette.text.secondary}
        strokeWidth={1.2}
      />
    </g>
  );
}
