'use client';

import GroupsOutlinedIcon from '@mui/icons-material/GroupsOutlined';
import PlaceOutlinedIcon from '@mui/icons-material/PlaceOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { memo, type ReactNode } from 'react';
import { stepWords, type SheetRig, type SheetState, type Standing } from '@/core/runsheet';
import { useSame } from '@/ui/shell/useSame';
import { clockText } from './durations';
import { stationStrip as texts } from './texts';

interface Props {
  rig: SheetRig;
  state: SheetState;
  now: number;
  /** Places that have steps left. */
  places: readonly string[];
  /** What is next at them, as far as it has been looked into. */
  stations: readonly Standing[];
  /** The place where one stands; empty for somebody who goes everywhere. */
  here: string;
  onHere: (place: string) => void;
}

/** Who stands where: everybody takes their own place, and sees what is next at the others. */
export function StationStrip({ rig, state, now, places, stations, here, onHere }: Props) {
  const all = here && !places.includes(here) ? [...places, here] : places;
  // A clock ticks several times a second; what it says is another thing once a second, if at all.
  const said = useSame(
    all.map((place) => {
      const standing = stations.find((each) => each.place === place);
      const text = standing
        ? progressText(rig, state, now, standing)
        : places.includes(place)
          ? texts.stepsLeft
          : texts.doneHere;
      return { place, text };
    }),
  );
  return places.length < 2 && !here ? null : <Places {...{ said, here, onHere }} />;
}

interface PlacesProps extends Pick<Props, 'here' | 'onHere'> {
  said: readonly { place: string; text: string }[];
}

const Places = memo(function Places({ said, here, onHere }: PlacesProps) {
  return (
    <Box component="section" aria-label={texts.places} sx={{ px: { xs: 2, md: 4 }, pt: 1, maxWidth: 820 }}>
      <ToggleButtonGroup
        exclusive
        value={here}
        onChange={(_, to: string | null) => to !== null && onHere(to)}
        aria-label={texts.whereYouAre}
        sx={{
          display: 'flex',
          overflowX: 'auto',
          '& .MuiToggleButton-root': {
            flex: { xs: '1 0 150px', md: '1 1 0' },
            minWidth: { md: 0 },
            minHeight: 52,
            px: 1.25,
            py: 0.5,
            textAlign: 'left',
            justifyContent: 'flex-start',
            alignItems: 'flex-start',
            textTransform: 'none',
          },
        }}
      >
        <ToggleButton value="">
          <Place icon={<GroupsOutlinedIcon fontSize="inherit" />} name={texts.onePerson} text={texts.goesEverywhere} />
        </ToggleButton>
        {said.map(({ place, text }) => (
          <ToggleButton key={place} value={place}>
            <Place icon={<PlaceOutlinedIcon fontSize="inherit" />} name={place} text={text} />
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </Box>
  );
});

/** Where nothing is left to do: where something is. */
export function DoneHere({
  here,
  places,
  onElsewhere,
}: Pick<Props, 'here' | 'places'> & { onElsewhere: (place: string) => void }) {
  return (
    <Box component="section" aria-label={texts.theNextStep} sx={{ px: { xs: 2, md: 4 }, py: 3, maxWidth: 760 }}>
      <Typography variant="step" component="h2" sx={{ mb: 1 }}>
        {texts.nothingLeft(here)}
      </Typography>
      <Typography color="textSecondary" sx={{ mb: 2 }}>
        {texts.stepsAreLeft(places.join(', '))}
      </Typography>
      {places.slice(0, 1).map((place) => (
        <Button key={place} variant="outlined" onClick={() => onElsewhere(place)} sx={{ minHeight: 48 }}>
          {texts.goTo(place)}
        </Button>
      ))}
    </Box>
  );
}

function progressText(rig: SheetRig, state: SheetState, now: number, { step, wait, behind, ready }: Standing): string {
  if (wait) return texts.waits(clockText(Math.max(0, state.now + wait.seconds - now)));
  if (ready || !behind) return stepWords(rig, state, step).title;
  return texts.waitsFor(behind.place);
}

const Place = ({ icon, name, text }: { icon: ReactNode; name: string; text: string }) => (
  <Box sx={{ minWidth: 0, width: '100%', color: 'text.primary' }}>
    {/* Places are often told apart by their last word. */}
    <Typography
      component="span"
      sx={{ display: 'flex', alignItems: 'baseline', gap: 0.5, fontWeight: 650, lineHeight: 1.25 }}
    >
      <Box component="span" sx={{ flexShrink: 0, position: 'relative', top: '0.15em', lineHeight: 0 }}>
        {icon}
      </Box>
      {name}
    </Typography>
    <Typography component="span" variant="caption" noWrap color="textSecondary" sx={{ display: 'block' }}>
      {text}
    </Typography>
  </Box>
);
