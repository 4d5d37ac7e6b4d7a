'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { memo, useCallback, useEffect, useRef } from 'react';
import type { LineResult } from '@/core/check';
import { quantity } from '@/core/units/format';
import { Strip } from '@/ui/strip/Strip';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import { FarRow, useFocusOf } from './FarRow';
import { LinkLabels } from './LinkLabels';
import { useNear } from './near';
import type { DrawnProps, RowProps } from './row';
import { RowName } from './RowName';
import { lineRow as text } from './texts';

export const NAME_WIDTH = 216;
export const VERDICT_WIDTH = 104;

/** Where strip and verdict stand in a row: said once for a list, they are drawn anew at every press of its switch. */
export const rowParts = {
  '& > li > .strip': { gridArea: 'strip', minWidth: 0, minHeight: 67, pb: { xs: 1, md: 0 }, px: { xs: 1, md: 0 } },
  '& > li > .verdict': { gridArea: 'verdict', pr: 1.5, pl: 1, py: { xs: 1, md: 0 } },
} as const;

/** One line of the sheet; far from what is in sight its name and verdict alone. */
export const LineRow = memo(function LineRow(props: RowProps) {
  const { near, keep } = useNear(props.first);
  const whole = near || props.selected;
  /** The keyboard was in it when it was drawn otherwise. */
  const focusedRef = useRef(false);
  return whole ? <WholeRow {...props} {...{ keep, focusedRef }} /> : <FarRow {...props} {...{ keep, focusedRef }} />;
});

/** Its name, its strip, its verdict. */
function WholeRow(props: DrawnProps) {
  const { id, name, inlet, links, result, unsolved, selected, marked, picking, room, tips, actions } = props;
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id,
  });
  const row = useRef<HTMLDivElement>(null);
  useFocusOf(props.focusedRef, row);
  const watched = props.keep;
  useEffect(() => watched(row.current), [watched]);
  useEffect(() => {
    if (selected) row.current?.scrollIntoView({ block: 'nearest' });
  }, [selected]);
  const hold = useCallback(
    (node: HTMLDivElement | null) => {
      row.current = node;
      setNodeRef(node);
    },
    [setNodeRef],
  );
  return (
    <Box
      ref={hold}
      component="li"
      data-line={id}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      sx={{
        position: 'relative',
        display: 'grid',
        gridTemplateColumns: {
          xs: 'minmax(0, 1fr) auto',
          md: `${NAME_WIDTH}px minmax(0, 1fr) ${VERDICT_WIDTH}px`,
        },
        gridTemplateAreas: { xs: '"name verdict" "strip strip"', md: '"name strip verdict"' },
        alignItems: 'center',
        borderBottom: 1,
        borderColor: 'divider',
        bgcolor: selected
          ? 'background.paper'
          : result?.verdict === 'Stop'
            ? 'color-mix(in srgb, var(--mui-palette-verdict-Stop) 6%, transparent)'
            : undefined,
        boxShadow: selected ? 'inset 3px 0 0 var(--mui-palette-primary-main)' : undefined,
        opacity: isDragging ? 0.6 : 1,
        zIndex: isDragging ? 3 : undefined,
        contentVisibility: 'auto',
        containIntrinsicSize: { xs: 'auto 132px', md: 'auto 68px' },
        scrollMarginTop: 48,
        '&:hover .grip, &:focus-within .grip': { opacity: 1 },
      }}
    >
      <RowName
        {...{ id, name, selected, marked, picking, actions, attributes, listeners }}
        wants={result ? wants(result) : ' '}
        grip={setActivatorNodeRef}
      />
      <RowDrawing {...{ id, inlet, links, result, unsolved, selected, room, tips, actions }} />
    </Box>
  );
}

type Drawing = Omit<RowProps, 'name' | 'marked' | 'picking' | 'first'>;

/** Its strip and its verdict: they stay as they are while lines are carried past. */
const RowDrawing = memo(function RowDrawing(props: Drawing) {
  const { id, inlet, links, result, unsolved, selected, room, tips, actions } = props;
  return (
    <>
      <div className="strip" onClick={() => selected || actions.select(id)}>
        {result && (
          <Strip
            result={result}
            room={room}
            flows={selected}
            probe={selected && tips ? { tips, onTip: actions.probe } : undefined}
            labels={(width, count) => <LinkLabels {...{ width, count, id, links, selected, actions }} />}
          />
        )}
        {unsolved && (
          <Typography variant="caption" color="error" component="p" sx={{ py: 2 }}>
            {text.noResultForThisLine(unsolved)}
          </Typography>
        )}
      </div>
      <div className="verdict">
        {result ? <VerdictMark verdict={result.verdict} /> : <Typography variant="caption">…</Typography>}
        {result?.assumed && (
          <Typography
            variant="caption"
            color="textSecondary"
            component="div"
            noWrap
            title={text.assumed(result.assumed)}
          >
            {text.limitAssumed}
          </Typography>
        )}
        <Inlet name={inlet} />
      </div>
    </>
  );
});

const Inlet = memo(function Inlet({ name }: { name: string }) {
  return (
    <Typography variant="caption" color="textSecondary" component="div" noWrap sx={{ mt: 0.25 }}>
      {name}
    </Typography>
  );
});

/** What the source lives on, in a few words. */
function wants({ readings }: LineResult): string {
  const own = readings.supplies.find(({ part }) => part === 'source');
  const needs = own
    ? own.state === 'battery'
      ? text.onBattery
      : own.reversed > 0.05
        ? text.theWrongWayRound(quantity(own.reversed, 'V'))
        : text.gets(own.stated, quantity(own.needs, 'V'), quantity(Math.max(own.volts, 0), 'V'))
    : undefined;
  const other = readings.supplies.find(({ part }) => part !== 'source');
  return (
    needs ??
    (other
      ? other.state === 'battery'
        ? text.partOnBattery(other.what.replace(/^the /, ''))
        : text.needsGets(
            other.what.replace(/^the /, ''),
            quantity(other.needs, 'V'),
            quantity(Math.max(other.volts, 0), 'V'),
          )
      : text.needsNoFeed)
  );
}
