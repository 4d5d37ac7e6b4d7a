'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { memo, type ReactNode } from 'react';
import { feedLabel } from '@/core/standards/feeds';
import {
  feeding,
  endsOf,
  monitorsOf,
  residual,
  type Found,
  type Known,
  type SheetGroup,
  type SheetLine,
  type SheetRig,
  type SheetState,
} from '@/core/runsheet';
import { quantity } from '@/core/units/format';
import { agoText, clockText } from './durations';
import { Chip, YesNo } from './StateChip';
import { useServerClock } from './useSwitching';
import { rigNow as text } from './texts';

interface Props {
  rig: SheetRig;
  state: SheetState;
  /** What the sheets' clock is ahead of the page's. */
  offset: number;
  onFound: (what: Found) => void;
}

/** The rig as it really is; whatever is otherwise is put right here, and the rest of the sheet is computed anew. */
export const RigNow = memo(function RigNow({ rig, state, offset, onFound }: Props) {
  const places = [...new Set(rig.lines.map(({ mixedAt }) => mixedAt))];
  return (
    <Box sx={{ px: 2, py: 1.5 }}>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        {text.tapAnythingThatIsDifferent}
      </Typography>
      <Heading>{text.monitors}</Heading>
      {monitorsOf(rig).map(({ id, name, place }) => {
        const called = name || (rig.monitors ? text.allOtherMonitors : text.speakersAndHeadphones);
        return (
          <Row key={id} name={called} detail={rig.monitors ? place : undefined}>
            <Chip
              label={called}
              value={state.monitors[id] ?? 'unknown'}
              options={[
                ['down', text.down],
                ['open', text.up],
                ['unknown', text.notKnown],
              ]}
              onChoose={(is) => onFound({ monitors: id, is: is as Known<'down' | 'open'> })}
            />
          </Row>
        );
      })}
      <Heading>{text.switches}</Heading>
      <Switches rig={rig} state={state} offset={offset} onFound={onFound} />
      <Heading>{text.power}</Heading>
      {rig.devices.map(({ id, name, power }) => (
        <Row key={id} name={name} detail={RUNS_ON[power]}>
          <YesNo
            label={text.powerOf(name)}
            value={state.mains[id]}
            yes="on"
            no="off"
            unknown={text.onOrOff}
            onChoose={(is) => onFound({ mains: id, is })}
          />
        </Row>
      ))}
      {places.map((place) => (
        <Box key={place}>
          <Heading>{text.lines(place)}</Heading>
          {rig.lines
            .filter(({ mixedAt }) => mixedAt === place)
            .map((line) => (
              <LineRow
                key={line.id}
                line={line}
                stage={state.ends[line.id].stage}
                desk={state.ends[line.id].desk}
                muted={state.muted[line.id]}
                supply={state.supplies[line.id]?.on}
                onFound={onFound}
              />
            ))}
        </Box>
      ))}
    </Box>
  );
});

/** What each switch is set to, since when, and what is left on its lines: that changes by itself. */
function Switches({ rig, state: kept, offset, onFound }: Props) {
  const now = useServerClock(offset, kept.now, 1);
  const state = { ...kept, now: Math.max(now, kept.now) };
  return rig.groups.map((group) => (
    <SwitchRow
      key={group.key}
      group={group}
      feed={state.feeds[group.key].feed}
      detail={sinceText(state, group)}
      strong={feeding(state, group)}
      onFound={onFound}
    />
  ));
}

interface SwitchProps {
  group: SheetGroup;
  feed: string;
  detail: string;
  strong: boolean;
  onFound: Props['onFound'];
}

const SwitchRow = memo(function SwitchRow({ group, feed, detail, strong, onFound }: SwitchProps) {
  return (
    <Row name={group.name} detail={detail}>
      <Chip
        label={group.name}
        value={feed}
        options={[
          ...(['off', ...group.offers] as const).map((each): [string, string] => [each, feedLabel(each)]),
          ['unknown', text.notKnown],
        ]}
        strong={strong}
        onChoose={(is) => onFound({ feed: group.key, is: is as Known<(typeof group.offers)[number]> })}
      />
    </Row>
  );
});

interface LineProps {
  line: SheetLine;
  stage: Known<boolean>;
  desk: Known<boolean>;
  muted: Known<boolean>;
  supply?: Known<boolean>;
  onFound: Props['onFound'];
}

/** What is said of each end. */
const END = {
  stage: { label: text.atItsSource, yes: text.sourcePlugged, no: text.sourceUnplugged, unknown: text.source },
  desk: { label: text.atItsInlet, yes: text.inletPlugged, no: text.inletUnplugged, unknown: text.inlet },
};

/** Drawn anew only when something of it has changed: there may be hundreds. */
const LineRow = memo(function LineRow({
  line: { id, name, inlet, was, straight },
  stage,
  desk,
  muted,
  supply,
  onFound,
}: LineProps) {
  return (
    <Row name={name} detail={was === undefined ? inlet : text.notOnPaperAnyMore(inlet)}>
      {endsOf({ straight }).map((end) => (
        <YesNo
          key={end}
          {...END[end]}
          label={END[end].label(name)}
          value={{ stage, desk }[end]}
          onChoose={(is) => onFound({ line: id, end, is })}
        />
      ))}
      <YesNo
        label={text.muteOf(name)}
        value={muted}
        yes="muted"
        no="unmuted"
        unknown={text.muteNotKnown}
        onChoose={(is) => onFound({ muted: id, is })}
      />
      {supply !== undefined && (
        <YesNo
          label={text.supplyOf(name)}
          value={supply}
          yes={text.supplyOn}
          no={text.supplyOff}
          unknown={text.supply}
          onChoose={(is) => onFound({ supply: id, is })}
        />
      )}
    </Row>
  );
});

const RUNS_ON = { mains: undefined, cells: text.onBatteries, both: text.onMainsAndBatteries } as const;

/** Since when a switch is as it is, and what is left on its lines. */
function sinceText(state: SheetState, group: SheetGroup): string {
  const { feed, since } = state.feeds[group.key];
  if (feed === 'unknown') return feeding(state, group) ? text.treatAsLive : text.notKnownUntil;
  if (since === 'unknown') return feed === 'off' ? text.treatAsCharged : text.on;
  const passed = state.now - since;
  if (feeding(state, group)) {
    const settling = group.settle.seconds - passed;
    return text.onSince(agoText(passed), settling > 0 ? text.toSettle(clockText(settling)) : '');
  }
  const back = feed === 'off' ? '' : text.comesBack;
  const left = residual(state, group);
  const wait = group.decay.seconds - passed;
  return wait > 0
    ? text.offWait(
        agoText(passed),
        typeof left === 'number' ? text.left(quantity(left, 'V')) : text.charged,
        clockText(wait),
        back,
      )
    : text.discharged(back);
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
