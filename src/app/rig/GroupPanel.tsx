'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { BASIS_LABELS } from '@/core/gear';
import { verdictOf } from '@/core/check';
import { type FeedOption, type GroupResult } from '@/core/rigcheck';
import type { Device, SwitchGroup } from '@/core/rig';
import { feedLabel, type FeedName } from '@/core/standards/feeds';
import { quantity } from '@/core/units/format';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import { groupPanel as text } from './texts';

interface Props {
  device: Device;
  group?: SwitchGroup;
  result?: GroupResult;
  options?: FeedOption[];
  onFeed: (device: string, group: string, feed: FeedName) => void;
  onLine: (line: string) => void;
  onDevice: () => void;
}

/** One switch: what each of its settings would do to every line it reaches, and where it is found. */
export function GroupPanel({ device, group, result, options, onFeed, onLine, onDevice }: Props) {
  const facts = [
    group?.control && text.where(group.control),
    group?.latched && text.latchedWhenPowerReturns,
    group?.mutes && text.mutesItsInletsWhileSwitching,
    group?.ramp && text.softStartFullVoltageAfter(quantity(group.ramp.value, 's')),
    device.feedLimit && text.totalFeedCurrentMaMaximum(device.feedLimit.value, BASIS_LABELS[device.feedLimit.basis]),
    device.batteries && text.runsOnBatteries(device.batteries.cells, device.batteries.chemistry),
    device.note,
  ].filter(Boolean);
  return (
    <Box sx={{ px: 2.5, py: 1.75, overflowY: 'auto', height: '100%' }}>
      <Typography variant="caption" color="textSecondary" component="p">
        {device.name}
      </Typography>
      <Typography variant="panel" component="h2">
        {group?.name ?? text.inletsWithoutAFeed}
      </Typography>
      {result && (
        <Box data-testid="verdict" sx={{ mt: 0.25, mb: 1.5 }}>
          <VerdictMark verdict={result.verdict} size="large" />
        </Box>
      )}
      {result?.findings.map((finding) => (
        <Box component="article" aria-label={finding.what} key={finding.code} sx={{ mb: 2 }}>
          <VerdictMark verdict={verdictOf([finding])} />
          <Typography variant="h2" component="h3" sx={{ mt: 0.25 }}>
            {finding.what}
          </Typography>
          <Typography variant="body2">{finding.why}</Typography>
          <Stack spacing={0.75} sx={{ mt: 1 }}>
            {finding.remedies.map((remedy) => (
              <Button
                key={remedy.group}
                variant="outlined"
                onClick={() => onFeed(remedy.device, remedy.group, remedy.feed)}
                sx={{ justifyContent: 'space-between' }}
              >
                {remedy.label}
                <span>{remedy.note}</span>
              </Button>
            ))}
          </Stack>
        </Box>
      ))}
      {group && (
        <Box component="section" aria-label={text.settingsOfThisSwitch} sx={{ mt: 1 }}>
          <Typography variant="h3" component="h3" gutterBottom>
            {text.settingsCompared}
          </Typography>
          {options ? (
            options.map((option) => (
              <SettingRow
                key={option.feed}
                option={option}
                on={option.feed === group.feed}
                onFeed={() => onFeed(device.id, group.id, option.feed)}
                onLine={onLine}
              />
            ))
          ) : (
            <Typography variant="body2" color="textSecondary">
              {text.checkingEverySetting}
            </Typography>
          )}
        </Box>
      )}
      <Stack spacing={0.5} sx={{ mt: 2 }}>
        {facts.map((fact) => (
          <Typography key={String(fact)} variant="body2" color="textSecondary">
            {fact}
          </Typography>
        ))}
      </Stack>
      <Button variant="outlined" sx={{ mt: 2 }} onClick={onDevice}>
        {text.edit(device.name)}
      </Button>
      <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 3 }}>
        {text.turnMonitorsAndHeadphonesDown}
      </Typography>
    </Box>
  );
}

/** What a setting does, in numbers: harm first, then what loses its power. */
function judgement({ accepted, lines }: FeedOption): string {
  const harmed = lines.filter(({ verdict }) => verdict === 'Stop').length;
  const silent = lines.filter(({ verdict, regardless }) => verdict === 'Silent' && !regardless).length;
  const count = (n: number) => `${text.line(n)}`;
  if (accepted) return lines.length ? text.okForEveryLine : '';
  return ` · ${[harmed && text.harms(count(harmed)), silent && text.silent(count(silent))].filter(Boolean).join(', ')}`;
}

function SettingRow({
  option,
  on,
  onFeed,
  onLine,
}: {
  option: FeedOption;
  on: boolean;
  onFeed: () => void;
  onLine: (line: string) => void;
}) {
  const against = option.lines.filter(({ because }) => because);
  return (
    <Box sx={{ borderTop: 1, borderColor: 'divider', py: 1 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
        <Typography variant="body2" sx={{ fontWeight: 700, flex: 1 }}>
          {feedLabel(option.feed)}
          <Box component="span" sx={{ fontWeight: 400, color: 'text.secondary' }}>
            {judgement(option)}
          </Box>
        </Typography>
        {on ? (
          <Typography variant="caption" color="textSecondary">
            {text.setNow}
          </Typography>
        ) : (
          <Button onClick={onFeed} title={text.changesTheDrawing}>
            {text.tryWord(feedLabel(option.feed))}
          </Button>
        )}
      </Box>
      {against.map(({ line, name, verdict, because, regardless, everywhere }) => (
        <Box key={line} sx={{ display: 'flex', gap: 1, alignItems: 'baseline', mt: 0.5 }}>
          <Box sx={{ width: 68, flexShrink: 0 }}>
            <VerdictMark verdict={verdict} />
          </Box>
          <Box sx={{ minWidth: 0 }}>
            <Button
              color="inherit"
              onClick={() => onLine(line)}
              sx={{ p: 0, minWidth: 0, fontWeight: 600, textAlign: 'left', lineHeight: 1.3 }}
            >
              {name}
            </Button>
            <Typography variant="caption" color="textSecondary" component="p">
              {because}
              {regardless && text.noSettingOfThisSwitch}
              {everywhere && text.noSettingSuits}
            </Typography>
          </Box>
        </Box>
      ))}
    </Box>
  );
}
