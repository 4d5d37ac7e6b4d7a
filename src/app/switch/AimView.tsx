'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useDeferredValue, useMemo } from 'react';
import type { RigDocument } from '@/core/rig';
import {
  aimFor,
  feedsOf,
  type Aim,
  type Session,
  type SheetKind,
  type SheetOrder,
  type SheetRig,
  type Way,
} from '@/core/runsheet';
import { MonitorsMoved } from './MonitorsMoved';
import { clockText } from './durations';
import { OrderChoice, ordered } from './OrderChoice';
import { WaysView } from './WaysView';
import { aimView as text } from './texts';

/** What has been chosen for a sheet that is not begun yet; what was left alone stays as it comes. */
export interface Chosen {
  kind?: SheetKind;
  /** Lines ticked or unticked by hand, by what the sheet is for. */
  turned?: Partial<Record<SheetKind, readonly string[]>>;
  swapped?: Swapped;
  order?: SheetOrder;
}

interface Props {
  document: RigDocument;
  rig: SheetRig;
  session: Session;
  chosen: Chosen;
  onChosen: (change: (from: Chosen) => Chosen) => void;
  busy: boolean;
  onBegin: (aim: Aim) => void;
  onBeside: (line: string, way: Way) => void;
  onAnew: () => void;
  /** Offered where a sheet is being followed. */
  onCancel?: () => void;
}

const KINDS: { kind: SheetKind; label: string; what: string }[] = [
  { kind: 'set-up', label: text.setUp, what: text.linesToConnect },
  { kind: 'change-over', label: text.changeOver, what: text.linesToSwapWhile },
  { kind: 'strike', label: text.strike, what: text.linesToStrike },
];

/** What a new sheet is for, and what it would be before it is begun. */
export function AimView(props: Props) {
  const { document, rig, session, chosen, onChosen, busy, onBegin, onBeside, onAnew, onCancel } = props;
  const { state } = session;
  const through = useMemo(
    () =>
      rig.lines.filter(({ id }) => state.ends[id].stage === true && state.ends[id].desk === true).map(({ id }) => id),
    [rig, state],
  );
  const { kind = through.length ? 'change-over' : 'set-up', swapped = 'both', order } = chosen;
  const turned = chosen.turned?.[kind] ?? NONE;
  // What is in the room and not on paper any more is nothing to choose: it comes out.
  const written = useMemo(() => rig.lines.filter(({ was }) => was === undefined), [rig]);
  const all = useMemo(() => written.map(({ id }) => id), [written]);
  // Nothing is swapped that nobody asked for; everything else is for all lines, also those that come later.
  const byHand = kind === 'change-over';
  const lines = useMemo(() => all.filter((id) => turned.includes(id) === byHand), [all, turned, byHand]);
  const choose = (list: readonly string[]) => {
    const others = all.filter((id) => list.includes(id) === byHand);
    onChosen((from) => ({ ...from, turned: { ...from.turned, [kind]: others } }));
  };
  // What is ticked is seen at once; what it comes to follows, which takes seconds with hundreds of lines.
  const wanted = useDeferredValue(useMemo(() => ({ kind, lines, swapped }), [kind, lines, swapped]));
  const orders = useMemo(() => {
    const at = wanted.swapped === 'both' ? undefined : wanted.swapped;
    const base = aimFor(wanted.kind, rig, state, feedsOf(document), wanted.lines, at);
    return (['walks', 'time'] as const).map((each) => ordered(rig, state, { ...base, order: each }));
  }, [wanted, rig, state, document]);
  const behind = wanted.kind !== kind || wanted.lines !== lines || wanted.swapped !== swapped;
  const quickest = orders.reduce((best, each) => (each.seconds < best.seconds ? each : best));
  const picked = orders.find((each) => each.order === order) ?? quickest;
  const { aim, made, walks, waits } = picked;
  const choice = orders[0].walks !== orders[1].walks || orders[0].waits !== orders[1].waits;
  const nameOf = (id: string) => rig.lines.find((line) => line.id === id)?.name ?? id;
  const nothing = lines.length === 0 && kind !== 'set-up';
  const single = kind === 'change-over' && lines.length === 1;
  return (
    <Box component="section" aria-label={text.aNewSheet} sx={{ px: { xs: 2, md: 4 }, py: 2, maxWidth: 820 }}>
      <ToggleButtonGroup
        exclusive
        value={kind}
        onChange={(_, to: SheetKind | null) => to && onChosen((from) => ({ ...from, kind: to }))}
        aria-label={text.whatTheSheet}
        sx={{ mb: 1.5, '& .MuiToggleButton-root': { px: 2.5, py: 1, fontSize: 'h2.fontSize' } }}
      >
        {KINDS.map(({ kind: each, label }) => (
          <ToggleButton key={each} value={each}>
            {label}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>

      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap' }}>
        <Box sx={{ flex: '1 1 280px' }}>
          <Typography sx={{ fontSize: 'lead.fontSize', fontWeight: 650 }} role="status">
            {nothing
              ? text.chooseTheLinesBelow
              : made.steps.length === 0
                ? text.nothingToDoTheRig
                : [
                    text.steps(single, made.steps.length),
                    `${text.walk(walks)}`,
                    waits ? text.minWaiting(clockText(waits)) : text.noWaiting,
                  ].join(', ')}
          </Typography>
          {!nothing && made.steps.length > 0 && (
            <Typography variant="caption" color="textSecondary" component="p">
              {made.fewest
                ? picked.order === 'time'
                  ? text.fewestWalksPossibleWithEverything
                  : text.fewestWalksPossibleDevices
                : text.aGoodOrderThere}
            </Typography>
          )}
        </Box>
        {onCancel && (
          <Button onClick={onCancel} sx={{ minHeight: 48 }}>
            {text.backToTheSheet}
          </Button>
        )}
        {/* One line has several ways, each with its own start below: what is shown first is what is pressed first. */}
        {!single && (
          <Button
            variant="contained"
            disabled={busy || behind || nothing || made.steps.length === 0}
            onClick={() => onBegin(aim)}
            sx={{ minHeight: 56, px: 4, fontSize: 'large.fontSize' }}
          >
            {busy ? text.followingTheCircuits : text.begin}
          </Button>
        )}
      </Box>

      {!nothing && choice && (
        <OrderChoice
          orders={orders}
          picked={picked.order}
          onPick={(to) => onChosen((from) => ({ ...from, order: to }))}
        />
      )}
      {made.refused.map(({ why }) => (
        <Alert key={why} severity="error" sx={{ mt: 1 }}>
          {text.itStaysOffUntickThem(why)}
        </Alert>
      ))}
      {made.disturbed.length > 0 && (
        <Alert severity="warning" sx={{ mt: 1 }}>
          {text.alsoAffectedSameSwitchMuted(made.disturbed.map(nameOf).join(', '))}
        </Alert>
      )}
      <MonitorsMoved rig={rig} steps={made.steps} />
      {single && (
        <WaysView
          document={document}
          rig={rig}
          state={state}
          line={lines[0]}
          busy={busy}
          onBeside={onBeside}
          onHere={() => onBegin(aim)}
        />
      )}

      {kind === 'change-over' && (
        <ToggleButtonGroup
          exclusive
          size="small"
          value={swapped}
          onChange={(_, to: Swapped | null) => to && onChosen((from) => ({ ...from, swapped: to }))}
          aria-label={text.whatIsSwapped}
          sx={{ mt: 2, flexWrap: 'wrap' }}
        >
          <ToggleButton value="both">{text.cableTooBothEnds}</ToggleButton>
          <ToggleButton value="stage">{text.onlyTheSourceItsEnd}</ToggleButton>
          <ToggleButton value="desk">{text.onlyTheInletEnd}</ToggleButton>
        </ToggleButtonGroup>
      )}
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1, mt: 2 }}>
        <Typography variant="h2">{KINDS.find((each) => each.kind === kind)!.what}</Typography>
        <Button onClick={() => choose(all)}>{text.all}</Button>
        <Button onClick={() => choose([])}>{text.none}</Button>
      </Box>
      {[...new Set(written.map(({ stage }) => stage))].map((place) => (
        <Box
          key={place}
          component="fieldset"
          sx={{ border: 0, m: 0, p: 0, borderTop: 1, borderColor: 'divider', pt: 0.5 }}
        >
          <Typography component="legend" variant="caption" sx={{ fontWeight: 650, float: 'left', width: '100%' }}>
            {place}
          </Typography>
          <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, clear: 'both' }}>
            {written
              .filter(({ stage }) => stage === place)
              .map(({ id, name }) => (
                <FormControlLabel
                  key={id}
                  control={
                    <Checkbox
                      size="small"
                      checked={lines.includes(id)}
                      onChange={(_, on) => choose(on ? [...lines, id] : lines.filter((each) => each !== id))}
                    />
                  }
                  label={
                    <Typography variant="body2" component="span">
                      {name}
                      {through.includes(id) && (
                        <Box component="span" sx={{ color: 'text.secondary' }}>
                          {text.plugged}
                        </Box>
                      )}
                    </Typography>
                  }
                />
              ))}
          </Box>
        </Box>
      ))}
      <Button onClick={onAnew} sx={{ mt: 2 }}>
        {text.resetTheState}
      </Button>
    </Box>
  );
}

type Swapped = 'both' | 'stage' | 'desk';
const NONE: readonly string[] = [];
