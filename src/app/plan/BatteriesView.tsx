'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { BASIS_LABELS } from '@/core/gear';
import { hours, type OwnCells, type RunningTime, type VoltageOption } from '@/core/plan';
import { feedLabel } from '@/core/standards/feeds';
import { BATTERY_FIGURES, setFeed, withDevice, type Batteries, type RigDocument } from '@/core/rig';
import type { PlanWorker } from '@/workers/planWorker';
import { LateView } from '@/ui/shell/Late';
import { useAnswer } from '@/ui/rig/useWorker';
import { digits, uncapital } from '@/core/units/format';
import { batteriesView as texts } from './texts';

const loadChart = () => import('./DayChart').then((file) => file.DayChart);

interface Props {
  document: RigDocument;
  worker: () => PlanWorker;
  onChange: (to: (from: RigDocument) => RigDocument) => void;
}

/** How long the cells last: of devices at each phantom voltage, and of whatever has cells of its own. */
export function BatteriesView({ document, worker, onChange }: Props) {
  const question = useMemo(() => ({ ask: 'batteries', document }) as const, [document]);
  const { answer, failed } = useAnswer(worker, question, 'batteries');
  if (!answer)
    return (
      <Typography variant="body2" sx={{ p: 2 }} role="status">
        {failed ?? texts.solvingEveryLine}
      </Typography>
    );
  const { times, cells } = answer;
  return (
    <Box sx={{ px: 2, py: 1.75, display: 'grid', gap: 3 }}>
      {times.length === 0 && <Typography variant="body1">{texts.noDeviceHereRuns}</Typography>}
      {times.map((time) => (
        <DeviceTime key={time.device} time={time} document={document} onChange={onChange} />
      ))}
      {cells.length > 0 && <OwnCellsTable cells={cells} />}
    </Box>
  );
}

interface DeviceProps {
  time: RunningTime;
  document: RigDocument;
  onChange: Props['onChange'];
}

function DeviceTime({ time, document, onChange }: DeviceProps) {
  const { device: id, name, energy, now, options, recommended, gains } = time;
  const device = document.devices.find((each) => each.id === id);
  if (!device?.batteries) return null;
  const apply = ({ settings }: VoltageOption) =>
    onChange((from) => settings.reduce((rig, { group, feed }) => setFeed(rig, id, group, feed), from));
  const setBatteries = (change: (from: Batteries) => Batteries) =>
    onChange((from) => withDevice(from, id, (known) => ({ ...known, batteries: change(known.batteries!) })));
  return (
    <Box component="section" aria-label={name}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', columnGap: 2 }}>
        <Typography variant="h1" component="h2">
          {name}: {hours(now.hours)}
        </Typography>
        <Typography variant="body2" color="textSecondary">
          {texts.onOneSetOfBatteries(digits(now.watts, 2))}
        </Typography>
      </Box>
      {recommended && (
        <Typography variant="body2" sx={{ mt: 0.5 }}>
          {recommended.feed ? (
            <>
              {texts.recommended}
              <strong>{feedLabel(recommended.feed)}</strong> — {recommended.why}.
            </>
          ) : (
            texts.nothingToRecommend(recommended.why)
          )}
        </Typography>
      )}
      {time.warnings.map((warning) => (
        <Alert key={warning} severity="warning" sx={{ mt: 1 }}>
          {warning}
        </Alert>
      ))}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, mt: 1, p: 0, borderBottom: 1, borderColor: 'divider' }}>
        {options.map((option) => (
          <OptionRow
            key={option.feed}
            option={option}
            shown={option.settings.every(
              ({ group, feed }) => device.groups.find((each) => each.id === group)?.feed === feed,
            )}
            onApply={() => apply(option)}
          />
        ))}
      </Box>
      {gains.map((gain) => (
        <Typography key={gain.group} variant="body2" sx={{ mt: 1 }}>
          {texts.only}
          <strong>{gain.name}</strong>
          {texts.keepsFromMovedToAnother(gain.groupName, feedLabel(gain.to), hours(Math.max(0, gain.hours)))}
        </Typography>
      ))}
      <LateView load={loadChart} props={{ time }} height={258} />
      <Figures batteries={device.batteries} energy={energy} capacity={now.capacity} onChange={setBatteries} />
    </Box>
  );
}

function OptionRow({ option, shown, onApply }: { option: VoltageOption; shown: boolean; onApply: () => void }) {
  const objecting = option.groups.flatMap(({ objecting: list, name }) =>
    list.map((line) => ({ ...line, group: name })),
  );
  return (
    <Box
      component="li"
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '52px 100px minmax(0, 1fr)', sm: '52px 110px minmax(0, 1fr) auto' },
        columnGap: 1.5,
        rowGap: 0.5,
        alignItems: 'start',
        py: 0.75,
        borderTop: 1,
        borderColor: 'divider',
      }}
    >
      <Typography variant="body2" sx={{ fontWeight: 650 }}>
        {feedLabel(option.feed)}
      </Typography>
      <Typography variant="body2" sx={{ fontWeight: 650 }}>
        {hours(option.hours)}
      </Typography>
      <Typography variant="body2" color="textSecondary">
        {option.accepted
          ? texts.okForEveryLine
          : texts.thoseSwitchesKeepTheHigher(
              objecting.map(({ name, group, what }) => `${name} (${group}): ${uncapital(what)}`).join('; '),
            )}
      </Typography>
      {shown ? (
        <Typography variant="caption" color="textSecondary">
          {texts.setNow}
        </Typography>
      ) : (
        <Button onClick={onApply} sx={{ whiteSpace: 'nowrap' }}>
          {texts.setInTheRig(feedLabel(option.feed))}
        </Button>
      )}
    </Box>
  );
}

const FIELDS = ['capacity', 'usable', 'baseLoad', 'efficiency', 'hours', 'reserve'] as const;
/** What a power bank has besides. */
const BANK_FIELDS = [...FIELDS, 'bankEfficiency', 'shutsOff'] as const;

/** The figures that the running time rests on, to be put right. */
function Figures({
  batteries,
  energy,
  capacity,
  onChange,
}: {
  batteries: Batteries;
  energy: RunningTime['energy'];
  /** Part of the charge that there is at this load. */
  capacity: number;
  onChange: (change: (from: Batteries) => Batteries) => void;
}) {
  return (
    <Box component="section" aria-label={texts.batteryFigures} sx={{ mt: 1.5 }}>
      <Typography variant="h3" component="h3" sx={{ mb: 1.25 }}>
        {texts.whatThisRests(batteries.cells, batteries.chemistry)}
      </Typography>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr', md: '1fr 1fr 1fr' } }}>
        {(batteries.chemistry === 'power bank' ? BANK_FIELDS : FIELDS).map((name) => (
          <CellFigure key={`${name} ${batteries[name]?.value}`} name={name} batteries={batteries} onChange={onChange} />
        ))}
      </Box>
      <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 1 }}>
        {digits(energy.wattHours, 1)}
        {texts.whCanBeUsed}
        {Math.abs(capacity - 1) > 0.005 ? texts.ofThatAtThisLoad(Math.round(100 * capacity)) : ''}.{' '}
        {energy.rests
          .map(({ label, value, unit, basis }) => `${label}: ${value} ${unit} (${BASIS_LABELS[basis]})`)
          .join('; ')}
        {texts.coldAgeAndTheDisplay}
      </Typography>
    </Box>
  );
}

function CellFigure({
  name,
  batteries,
  onChange,
}: {
  name: (typeof BANK_FIELDS)[number];
  batteries: Batteries;
  onChange: (change: (from: Batteries) => Batteries) => void;
}) {
  const { label, unit, min, max } = BATTERY_FIGURES[name];
  const known = batteries[name];
  const [text, setText] = useState(known ? String(known.value) : '');
  const value = Number(text.trim().replace(',', '.'));
  const wrong = text.trim() !== '' && !(value >= min && value <= max);
  const save = () => {
    if (wrong || (text.trim() === '' ? !known : known?.value === value)) return;
    onChange(({ [name]: _before, ...rest }) =>
      text.trim() === '' ? rest : { ...rest, [name]: { value, unit, basis: 'measured' } },
    );
  };
  return (
    <TextField
      label={`${label} (${unit})`}
      value={text}
      onChange={(event) => setText(event.target.value)}
      onBlur={save}
      onKeyDown={(event) => event.key === 'Enter' && save()}
      error={wrong}
      helperText={wrong ? texts.fromToOrEmpty(min, max, unit) : known ? BASIS_LABELS[known.basis] : texts.notStated}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
    />
  );
}

function OwnCellsTable({ cells }: { cells: OwnCells[] }) {
  return (
    <Box component="section" aria-label={texts.sourcesOnBattery}>
      <Typography variant="panel" component="h2" sx={{ mb: 0.5 }}>
        {texts.sourcesOnBatteryShortestFirst}
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, borderBottom: 1, borderColor: 'divider' }}>
        {cells.map(({ line, lineName, name, milliamps, hours: lasts }) => (
          <Box
            component="li"
            key={`${line} ${name}`}
            sx={{
              display: 'grid',
              gridTemplateColumns: '110px minmax(0, 1fr)',
              columnGap: 1.5,
              py: 0.75,
              borderTop: 1,
              borderColor: 'divider',
            }}
          >
            <Typography variant="body2" sx={{ fontWeight: 650 }}>
              {hours(lasts)}
            </Typography>
            <Typography variant="body2">
              {name}{' '}
              <Typography variant="body2" component="span" color="textSecondary">
                {texts.onMaFromItsBatteries(lineName, digits(milliamps, milliamps < 10 ? 2 : 0))}
              </Typography>
            </Typography>
          </Box>
        ))}
      </Box>
      <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 1 }}>
        {texts.chargeAndCurrent}
      </Typography>
    </Box>
  );
}
