'use client';

import AddIcon from '@mui/icons-material/Add';
import DragIndicatorIcon from '@mui/icons-material/DragIndicator';
import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import ButtonBase from '@mui/material/ButtonBase';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { memo, useCallback, useEffect, useRef } from 'react';
import type { LineResult } from '@/core/check';
import type { PartRef } from '@/core/gear';
import { quantity } from '@/core/units/format';
import { JOINT, type Columns } from '@/ui/strip/geometry';
import { Strip } from '@/ui/strip/Strip';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import type { Probe } from './useRigCheck';

export interface RowActions {
  select: (line: string, part?: PartRef) => void;
  /** Marks a line for what is done to several, or no longer; `through` takes all from the last one to it. */
  mark: (line: string, through: boolean) => void;
  insert: (line: string, at: number, button: HTMLElement) => void;
  probe: (tip: Probe['red']) => void;
}

interface Props {
  id: string;
  name: string;
  inlet: string;
  /** Names of the links, one a line of text: cheap to compare. */
  links: string;
  result?: LineResult;
  unsolved?: string;
  selected: boolean;
  room: number;
  /** Among those for what is done to several at once. */
  marked: boolean;
  /** Lines are being marked: the boxes are shown. */
  picking: boolean;
  tips?: Probe;
  actions: RowActions;
}

export const NAME_WIDTH = 216;
export const VERDICT_WIDTH = 104;

/** One line of the sheet: its name, its strip, its verdict. */
export const LineRow = memo(function LineRow(props: Props) {
  const { id, name, inlet, links, result, unsolved, selected, marked, picking, room, tips, actions } = props;
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id,
  });
  const row = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (selected) row.current?.scrollIntoView({ block: 'nearest' });
  }, [selected]);
  const keep = useCallback(
    (node: HTMLDivElement | null) => {
      row.current = node;
      setNodeRef(node);
    },
    [setNodeRef],
  );
  return (
    <Box
      ref={keep}
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
        containIntrinsicSize: 'auto 72px',
        scrollMarginTop: 48,
        '&:hover .grip, &:focus-within .grip': { opacity: 1 },
      }}
    >
      <Box sx={{ gridArea: 'name', display: 'flex', alignItems: 'center', minWidth: 0, pl: 0.5 }}>
        <Box sx={{ display: 'flex', flexDirection: { xs: 'row', md: 'column' }, alignItems: 'center' }}>
          <IconButton
            ref={setActivatorNodeRef}
            className="grip"
            size="small"
            {...attributes}
            {...listeners}
            aria-label={`Move ${name}. Space to pick up, arrows to move, space to drop.`}
            sx={{ p: 0.25, opacity: selected ? 1 : 0.25, cursor: 'grab', touchAction: 'none' }}
          >
            <DragIndicatorIcon sx={{ fontSize: 17 }} />
          </IconButton>
          <Checkbox
            className="grip"
            size="small"
            checked={marked}
            slotProps={{ input: { 'aria-label': `Mark ${name}` } }}
            onClick={(event) => actions.mark(id, event.shiftKey)}
            sx={{
              p: 0.25,
              opacity: picking ? 1 : 0.25,
              display: { xs: picking ? 'inline-flex' : 'none', md: 'inline-flex' },
              minWidth: { xs: 44, md: 0 },
              minHeight: { xs: 44, md: 0 },
            }}
          />
        </Box>
        <ButtonBase
          onClick={(event) =>
            event.ctrlKey || event.metaKey || event.shiftKey ? actions.mark(id, event.shiftKey) : actions.select(id)
          }
          data-name
          aria-pressed={selected}
          sx={{
            display: 'block',
            textAlign: 'left',
            minWidth: 0,
            flex: 1,
            py: 1,
            pr: 1,
            alignSelf: 'stretch',
            '&:focus-visible': { outlineOffset: -2 },
          }}
        >
          <Typography variant="body2" component="span" sx={{ fontWeight: 650, display: 'block', lineHeight: 1.25 }}>
            {name}
          </Typography>
          <Typography
            variant="caption"
            color="textSecondary"
            component="span"
            sx={{ display: 'block', lineHeight: 1.25, whiteSpace: 'normal' }}
          >
            {result ? wants(result) : ' '}
          </Typography>
        </ButtonBase>
      </Box>
      <Box
        sx={{ gridArea: 'strip', minWidth: 0, minHeight: 67, pb: { xs: 1, md: 0 }, px: { xs: 1, md: 0 } }}
        onClick={() => selected || actions.select(id)}
      >
        {result && (
          <Strip
            result={result}
            room={room}
            flows={selected}
            tall={selected}
            probe={selected && tips ? { tips, onTip: actions.probe } : undefined}
            labels={(grid) => <LinkLabels {...{ grid, id, links, selected, actions }} />}
          />
        )}
        {unsolved && (
          <Typography variant="caption" color="error" component="p" sx={{ py: 2 }}>
            No result for this line: {unsolved}
          </Typography>
        )}
      </Box>
      <Box sx={{ gridArea: 'verdict', pr: 1.5, pl: 1, py: { xs: 1, md: 0 } }}>
        {result ? <VerdictMark verdict={result.verdict} /> : <Typography variant="caption">…</Typography>}
        {result?.assumed && (
          <Typography
            variant="caption"
            color="textSecondary"
            component="div"
            noWrap
            title={`Assumed: ${result.assumed}`}
          >
            limit assumed
          </Typography>
        )}
        <Typography variant="caption" color="textSecondary" component="div" noWrap sx={{ mt: 0.25 }}>
          {inlet}
        </Typography>
      </Box>
    </Box>
  );
});

/** What the source lives on, in a few words. */
function wants({ readings }: LineResult): string {
  const own = readings.supplies.find(({ part }) => part === 'source');
  const needs = own
    ? own.state === 'battery'
      ? 'on battery'
      : own.reversed > 0.05
        ? `${quantity(own.reversed, 'V')} the wrong way round`
        : `${own.stated ? 'needs' : 'usually needs'} ${quantity(own.needs, 'V')}, gets ${quantity(Math.max(own.volts, 0), 'V')}`
    : undefined;
  const other = readings.supplies.find(({ part }) => part !== 'source');
  return (
    needs ??
    (other
      ? other.state === 'battery'
        ? `${other.what.replace(/^the /, '')} on battery`
        : `${other.what.replace(/^the /, '')} needs ${quantity(other.needs, 'V')}, gets ${quantity(Math.max(other.volts, 0), 'V')}`
      : 'needs no feed')
  );
}

interface LabelsProps {
  grid: Columns;
  id: string;
  links: string;
  selected: boolean;
  actions: RowActions;
}

/** The names above the rails: press one to see and change that link, + to put one in between. */
function LinkLabels({ grid, id, links, selected, actions }: LabelsProps) {
  const names = links ? links.split('\n') : [];
  return (
    <>
      {names.map((name, n) => {
        const { x, width } = grid.link(n);
        return (
          <ButtonBase
            key={n}
            onClick={(event) => {
              event.stopPropagation();
              actions.select(id, n);
            }}
            tabIndex={selected ? 0 : -1}
            title={`${name}: details`}
            sx={{
              position: 'absolute',
              left: x + (selected ? 8 : 0),
              width: width - (selected ? 16 : 0),
              // On a phone it reaches down over the rails, where nothing else is pressed unless the line is selected.
              top: { xs: 0, md: 'auto' },
              bottom: { md: 0 },
              height: { xs: 44, md: 18 },
              display: { xs: 'flex', md: 'block' },
              alignItems: selected ? 'center' : 'flex-start',
              fontFamily: 'inherit',
              fontSize: '0.75rem',
              color: 'text.secondary',
              whiteSpace: 'nowrap',
              overflow: 'hidden',
              textOverflow: 'ellipsis',
              '&:hover': { color: 'primary.main', textDecoration: 'underline' },
              '&:focus-visible': { outlineOffset: -2 },
            }}
          >
            {name}
          </ButtonBase>
        );
      })}
      {selected &&
        Array.from({ length: names.length + 1 }, (_, n) => (
          <IconButton
            key={`+${n}`}
            size="small"
            aria-label={`Add a link ${n === 0 ? 'after the source' : n === names.length ? 'before the inlet' : `after link ${n}`}`}
            onClick={(event) => {
              event.stopPropagation();
              actions.insert(id, n, event.currentTarget);
            }}
            sx={{
              position: 'absolute',
              left: grid.junction(n) + JOINT / 2 - 9,
              bottom: 0,
              // For a thumb, about the same middle.
              width: { xs: 44, md: 18 },
              height: { xs: 44, md: 18 },
              ml: { xs: '-13px', md: 0 },
              p: 0,
            }}
          >
            <AddIcon sx={{ fontSize: 14 }} />
          </IconButton>
        ))}
    </>
  );
}
