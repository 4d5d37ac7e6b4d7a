'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useRef } from 'react';
import { withMainsEdit, withOutlet, type MainsAsk } from '@/core/mains';
import { PLUGS, type MainsPlug, type RigDocument } from '@/core/rig';
import { OUTLET_FIGURES, UNIT_FIGURES } from '@/core/rig/deviceFigures';
import { ActionRow } from '../ActionRow';
import { FigureCell } from './FigureCell';
import { SelectCell } from './SelectCell';
import { worthKnowing as text } from './texts';

interface Props {
  asks: readonly MainsAsk[];
  onChange: (change: (from: RigDocument) => RigDocument) => void;
}

/** The few things nobody has said that decide whether a line is above the target; whatever else is unknown changes nothing. */
export function WorthKnowing({ asks, onChange }: Props) {
  const section = useRef<HTMLElement>(null);
  const had = useRef(false);
  // What is answered goes; the keyboard stays with what is left.
  useEffect(() => {
    if (had.current && document.activeElement === document.body) section.current?.focus();
  }, [asks]);
  return (
    <Box
      component="section"
      ref={section}
      aria-label={text.stillToFindOut}
      tabIndex={-1}
      onFocus={() => (had.current = true)}
      onBlur={({ relatedTarget }) => (had.current = relatedTarget === null)}
      sx={{ mt: 2, pt: 1.5, borderTop: 1, borderColor: 'divider' }}
    >
      <Typography variant="h3" component="h3">
        {text.stillToFindOut}
      </Typography>
      <Typography variant="body2" color="textSecondary">
        {asks.length > 0 ? text.typicalValuesStand : text.nothingUnknownHereWouldChange}
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {asks.map((ask) => (
          <ActionRow component="li" key={ask.what}>
            <Box sx={{ flex: 1 }}>
              <Typography variant="body2" sx={{ fontWeight: 600 }}>
                {ask.what}
              </Typography>
              <Typography variant="body2">{ask.why}</Typography>
            </Box>
            <Answer ask={ask} onChange={onChange} />
          </ActionRow>
        ))}
      </Box>
    </Box>
  );
}

function Answer({ ask: { about, what }, onChange }: { ask: MainsAsk; onChange: Props['onChange'] }) {
  if ('outlet' in about)
    return (
      <FigureCell
        label={text.ifKnown(what)}
        range={OUTLET_FIGURES.length}
        usual={OUTLET_FIGURES.length.unit}
        onSet={(length) => onChange((from) => withOutlet(from, about.outlet, (own) => ({ ...own, length })))}
      />
    );
  const { unit, figure } = about;
  if (figure === 'plug')
    return (
      <SelectCell
        label={text.ifKnown(what)}
        value=""
        options={[['', text.unknown], ...Object.entries(PLUGS)]}
        width={140}
        onChoose={(to) => to && onChange((from) => withMainsEdit(from, { do: 'plug', unit, plug: to as MainsPlug }))}
      />
    );
  return (
    <FigureCell
      label={text.ifKnown(what)}
      range={UNIT_FIGURES[figure]}
      usual={UNIT_FIGURES[figure].unit}
      onSet={(to) => onChange((from) => withMainsEdit(from, { do: 'figure', unit, figure, to }))}
    />
  );
}
