'use client';

import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { memo, useEffect, useRef } from 'react';
import type { FeedOption, GroupResult } from '@/core/rigcheck';
import type { Device, SwitchGroup } from '@/core/rig';
import { feedLabel, type FeedName } from '@/core/standards/feeds';
import { quantity } from '@/core/units/format';
import { useNear } from './near';
import { groupHeader as text } from './texts';

interface Props {
  device: Device;
  group?: SwitchGroup;
  result?: GroupResult;
  options?: FeedOption[];
  /** For which lines the setting is wrong, as one text. */
  objecting: string;
  selected: boolean;
  /** Whether it is drawn whole before anybody knows what is in sight. */
  first: boolean;
  onGroup: (device: string, group?: string) => void;
  onFeed: (device: string, group: string, feed: FeedName) => void;
}

/**
 * The switch of a group: its header turns it, and says for whom the setting is wrong. Far from what is in sight the same is
 * plain text behind its name.
 */
export const GroupHeader = memo(function GroupHeader(props: Props) {
  const { device, group, selected, onGroup } = props;
  const { near, keep } = useNear(props.first);
  const header = useRef<HTMLDivElement>(null);
  useEffect(() => keep(header.current), [keep]);
  const whole = near || selected;
  return (
    <Box
      ref={header}
      sx={{
        position: 'sticky',
        top: 0,
        zIndex: 2,
        bgcolor: 'background.default',
        borderBottom: 1,
        borderColor: 'text.primary',
        pl: 1.5,
        pr: 1.5,
        pt: 1.25,
        pb: 0.5,
        boxShadow: selected ? 'inset 3px 0 0 var(--mui-palette-primary-main)' : undefined,
        display: 'flex',
        alignItems: 'center',
        flexWrap: 'wrap',
        columnGap: 1.5,
        // As high as it is with everything.
        minHeight: whole ? undefined : { xs: 120, md: 56 },
        '& > .words': {
          flex: { md: 1 },
          minWidth: 0,
          overflow: 'hidden',
          textOverflow: 'ellipsis',
          whiteSpace: { md: 'nowrap' },
          fontSize: 'caption.fontSize',
          color: 'text.secondary',
        },
      }}
    >
      <ButtonBase
        onClick={() => onGroup(device.id, group?.id)}
        aria-pressed={selected}
        title={text.thisSwitchWhatEachSetting}
        sx={{
          color: 'text.primary',
          '&:hover': { textDecoration: 'underline' },
        }}
      >
        <Typography variant="h2">{titleOf(props)}</Typography>
      </ButtonBase>
      {whole ? <Whole {...props} /> : <span className="words">{inWords(props)}</span>}
    </Box>
  );
});

const titleOf = ({ device, group }: Props): string => (group ? `${device.name}, ${group.name}` : device.name);

const inWords = (props: Props): string =>
  [about(props), props.group && feedLabel(props.group.feed), saidOf(props)].filter(Boolean).join(' · ');

/** What speaks against the setting, or which settings suit every line. */
const saidOf = ({ objecting, result, options }: Props): string =>
  objecting || (result?.findings[0]?.what ?? accepts(options));

function Whole(props: Props) {
  const { device, group, result, options, objecting, onFeed } = props;
  return (
    <>
      <Typography variant="caption" color="textSecondary" sx={{ minWidth: 0 }}>
        {about(props)}
      </Typography>
      {result && result.feed !== 'off' && (
        <Typography variant="caption" color="textSecondary" noWrap sx={{ flexGrow: 1, textAlign: 'right' }}>
          {text.supplies(quantity(result.amps, 'A'))}
        </Typography>
      )}
      {group && (
        <ToggleButtonGroup
          exclusive
          size="small"
          sx={{ ml: 'auto' }}
          value={group.feed}
          onChange={(_, to: FeedName | null) => to && onFeed(device.id, group.id, to)}
          aria-label={text.feedOf(titleOf(props))}
        >
          {(['off', ...group.offers] as FeedName[]).map((feed) => (
            <ToggleButton
              key={feed}
              value={feed}
              title={ruledOut(options?.find((option) => option.feed === feed))}
              sx={{
                py: '2px',
                '&.Mui-selected, &.Mui-selected:hover': { bgcolor: 'text.primary', color: 'background.paper' },
              }}
            >
              {feedLabel(feed).replace(' high current', '+').replace('plug-in power', 'on')}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      )}
      <Typography
        variant="caption"
        component="p"
        noWrap
        title={objecting}
        sx={(theme) => ({
          flexBasis: '100%',
          minHeight: 17,
          color: objecting ? theme.vars!.palette.verdict.Stop : 'text.secondary',
          fontWeight: objecting ? 600 : 400,
        })}
      >
        {saidOf(props)}
      </Typography>
    </>
  );
}

function about({ device, group }: Props): string {
  if (!group) return text.noFeed;
  const numbers = group.inlets.filter((id) => /^\d+$/.test(id)).map(Number);
  const reach =
    group.inlets.length === 1
      ? text.oneInletOneSwitch
      : numbers.length === group.inlets.length
        ? text.oneSwitchFeedsFromTo(Math.min(...numbers), Math.max(...numbers))
        : text.oneSwitchFeeds(group.inlets.length);
  return [
    reach,
    group.latched && text.phantomReturnsWithPower,
    group.mutes && text.mutesWhileSwitching,
    device.batteries && text.onBatteries,
  ]
    .filter(Boolean)
    .join(' · ');
}

function ruledOut(option: FeedOption | undefined): string | undefined {
  if (!option) return undefined;
  const against = option.lines.filter(({ because, regardless }) => because && !regardless);
  if (against.length) return text.wrongFor(against.map(({ name }) => name).join(', '));
  return option.accepted ? text.okForEveryLine : undefined;
}

/** The settings that suit every line, as one sentence. */
function accepts(options: FeedOption[] | undefined): string {
  if (!options || options.every(({ lines }) => lines.length === 0)) return '';
  const fine = options.filter(({ accepted }) => accepted).map(({ feed }) => feedLabel(feed));
  return fine.length ? text.okForEveryLineAt(fine.join(', ')) : text.noSettingSuitsEveryLine;
}
