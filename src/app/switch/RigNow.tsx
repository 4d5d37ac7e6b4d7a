'use client';

import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import { feedLabel } from '@/core/standards/feeds';
import {
  feeding,
  residual,
  type Found,
  type Known,
  type SheetGroup,
  type SheetRig,
  type SheetState,
} from '@/core/switching/sheet';
import { quantity } from '@/core/units/format';
import { agoText, clockText } from './durations';

interface Props {
  rig: SheetRig;
  state: SheetState;
  now: number;
  onFound: (what: Found) => void;
}

/** The rig as it really is; whatever is otherwise is put right here, and the rest of the sheet is computed anew. */
export function RigNow({ rig, state: kept, now, onFound }: Props) {
  const state = { ...kept, now: Math.max(now, kept.now) };
  const places = [...new Set(rig.lines.map(({ mixedAt }) => mixedAt))];
  return (
    <Box sx={{ px: 2, py: 1.5 }}>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        Tap anything that is different. The sheet is recalculated.
      </Typography>
      <Heading>Monitors</Heading>
      <Chip
        label="Speakers and headphones"
        value={state.monitors}
        options={[
          ['down', 'down'],
          ['open', 'up'],
          ['unknown', 'not known'],
        ]}
        onChoose={(monitors) => onFound({ monitors: monitors as Known<'down' | 'open'> })}
      />
      <Heading>Switches</Heading>
      {rig.groups.map((group) => (
        <Row key={group.key} name={group.name} detail={sinceText(state, group)}>
          <Chip
            label={group.name}
            value={String(state.feeds[group.key].feed)}
            options={[
              ...(['off', ...group.offers] as const).map((feed): [string, string] => [feed, feedLabel(feed)]),
              ['unknown', 'not known'],
            ]}
            strong={feeding(state, group)}
            onChoose={(is) => onFound({ feed: group.key, is: is as Known<(typeof group.offers)[number]> })}
          />
        </Row>
      ))}
      <Heading>Power</Heading>
      {rig.devices.map(({ id, name, power }) => (
        <Row key={id} name={name} detail={RUNS_ON[power]}>
          <YesNo
            label={`Power of ${name}`}
            value={state.mains[id]}
            yes="on"
            no="off"
            unknown="on or off ?"
            onChoose={(is) => onFound({ mains: id, is })}
          />
        </Row>
      ))}
      {places.map((place) => (
        <Box key={place}>
          <Heading>Lines, {place}</Heading>
          {rig.lines
            .filter(({ mixedAt }) => mixedAt === place)
            .map(({ id, name, inlet, was }) => (
              <Row key={id} name={name} detail={was === undefined ? inlet : `${inlet}, not on paper any more`}>
                <YesNo
                  label={`${name}, at its source`}
                  value={state.ends[id].stage}
                  yes="source plugged"
                  no="source unplugged"
                  unknown="source ?"
                  onChoose={(is) => onFound({ line: id, end: 'stage', is })}
                />
                <YesNo
                  label={`${name}, at its inlet`}
                  value={state.ends[id].desk}
                  yes="inlet plugged"
                  no="inlet unplugged"
                  unknown="inlet ?"
                  onChoose={(is) => onFound({ line: id, end: 'desk', is })}
                />
                <YesNo
                  label={`${name}, mute`}
                  value={state.muted[id]}
                  yes="muted"
                  no="unmuted"
                  unknown="mute ?"
                  onChoose={(is) => onFound({ muted: id, is })}
                />
                {state.supplies[id] && (
                  <YesNo
                    label={`Supply of ${name}`}
                    value={state.supplies[id].on}
                    yes="supply on"
                    no="supply off"
                    unknown="supply ?"
                    onChoose={(is) => onFound({ supply: id, is })}
                  />
                )}
              </Row>
            ))}
        </Box>
      ))}
    </Box>
  );
}

const RUNS_ON = { mains: undefined, cells: 'on batteries', both: 'on mains and batteries' } as const;

/** Since when a switch is as it is, and what is left on its lines. */
function sinceText(state: SheetState, group: SheetGroup): string {
  const { feed, since } = state.feeds[group.key];
  if (feed === 'unknown') return feeding(state, group) ? 'treat as live' : 'not known until it has power';
  if (since === 'unknown') return feed === 'off' ? 'treat as charged' : 'on';
  const passed = state.now - since;
  if (feeding(state, group)) {
    const settling = group.settle.seconds - passed;
    return `on ${agoText(passed)}${settling > 0 ? `, ${clockText(settling)} to settle` : ''}`;
  }
  const back = feed === 'off' ? '' : ', comes back on with the power';
  const left = residual(state, group);
  const wait = group.decay.seconds - passed;
  return wait > 0
    ? `off ${agoText(passed)}, ${typeof left === 'number' ? `${quantity(left, 'V')} left` : 'charged'}, wait ${clockText(wait)}${back}`
    : `discharged${back}`;
}

const Heading = ({ children }: { children: ReactNode }) => (
  <Typography variant="h3" component="h3" sx={{ mt: 1.5, mb: 0.5 }}>
    {children}
  </Typography>
);

function Row({ name, detail, children }: { name: string; detail?: string; children: ReactNode }) {
  return (
    <Box
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        gap: 0.5,
        alignItems: 'center',
        borderTop: 1,
        borderColor: 'divider',
        py: 0.5,
      }}
    >
      <Box sx={{ flex: '1 1 140px', minWidth: 0 }}>
        <Typography variant="body2" noWrap title={name}>
          {name}
        </Typography>
        {detail && (
          <Typography variant="caption" color="textSecondary" component="p">
            {detail}
          </Typography>
        )}
      </Box>
      {children}
    </Box>
  );
}

interface YesNoProps {
  label: string;
  value: Known<boolean>;
  yes: string;
  no: string;
  /** What it is called while nobody knows. */
  unknown: string;
  onChoose: (is: Known<boolean>) => void;
}

function YesNo({ label, value, yes, no, unknown, onChoose }: YesNoProps) {
  return (
    <Chip
      label={label}
      value={String(value)}
      options={[
        ['true', yes],
        ['false', no],
        ['unknown', unknown],
      ]}
      onChoose={(is) => onChoose(is === 'unknown' ? is : is === 'true')}
    />
  );
}

interface ChipProps {
  label: string;
  value: string;
  options: readonly (readonly [string, string])[];
  strong?: boolean;
  onChoose: (value: string) => void;
}

/** Something that is so, and a menu of how else it could be. */
function Chip({ label, value, options, strong, onChoose }: ChipProps) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  const text = options.find(([each]) => each === value)?.[1] ?? value;
  return (
    <>
      <ButtonBase
        aria-label={`${label}: ${text}`}
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
        sx={(theme) => ({
          px: 0.9,
          minHeight: 26,
          fontSize: '0.75rem',
          border: 1,
          borderStyle: value === 'unknown' ? 'dashed' : 'solid',
          borderColor: strong ? 'primary.main' : 'divider',
          borderRadius: 0.5,
          fontWeight: strong ? 700 : 500,
          color: value === 'unknown' ? theme.vars!.palette.verdict.Watch : strong ? 'primary.main' : 'text.primary',
          '&:hover': { borderColor: 'text.secondary' },
        })}
      >
        {text}
      </ButtonBase>
      <Menu open={anchor !== undefined} anchorEl={anchor} onClose={() => setAnchor(undefined)}>
        {options.map(([each, name]) => (
          <MenuItem
            key={each}
            selected={each === value}
            onClick={() => {
              setAnchor(undefined);
              if (each !== value) onChoose(each);
            }}
          >
            {name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
