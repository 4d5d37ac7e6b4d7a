'use client';

import CloseIcon from '@mui/icons-material/Close';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import type { SchoolName } from '@/core/schools';
import { inletName, schoolsOf, type InletRef, type RigDocument } from '@/core/rig';
import { SchoolField } from '@/ui/rig/SchoolField';
import { PlacesDialog } from './PlacesDialog';
import { withPin, withWishes } from './wishes';
import { inletKey } from '@/core/gear';
import { keepToPanel as texts } from './texts';

interface Props {
  document: RigDocument;
  onChange: (to: (from: RigDocument) => RigDocument) => void;
}

/** Rules for the plan: pins, forbidden inlets, neighbours, where things stand, and what the person chose for cells, spares and owned parts. */
export function KeepToPanel({ document, onChange }: Props) {
  const [placing, setPlacing] = useState(false);
  const wishes = document.wishes ?? {};
  const inlets = inletsOf(document);
  const lineName = (id: string) => document.lines.find((line) => line.id === id)?.name ?? id;
  const at = (ref: InletRef) => inlets.find(({ key }) => key === inletKey(ref))?.name ?? inletKey(ref);
  // Lines that hang on another one go with it.
  const lines = document.lines
    .filter((line) => !('into' in line.inlet) && !('from' in line.source))
    .map(({ id, name }) => ({ key: id, name }));
  const school = (name: SchoolName) => (
    <SchoolField
      name={name}
      value={schoolsOf(document)[name]}
      onChange={(value) => onChange((from) => ({ ...from, schools: { ...from.schools, [name]: value } }))}
      sx={{ mt: 1.5 }}
    />
  );
  const without = <T,>(list: readonly T[] | undefined, entry: T) => list?.filter((each) => each !== entry);
  return (
    <Box sx={{ px: 2.5, py: 1.75 }}>
      <Typography variant="panel" component="h2" sx={{ mb: 0.5 }}>
        {texts.rulesForThePlan}
      </Typography>
      <Typography variant="caption" color="textSecondary">
        {texts.keptWithTheRigChange}
      </Typography>

      <Part title={texts.pinnedLines} empty={!wishes.pinned?.length && texts.noneAPinBeside}>
        {wishes.pinned?.map((pin) => (
          <Entry
            key={pin.line}
            text={`${lineName(pin.line)}: ${at(pin.to)}`}
            onRemove={() => onChange((from) => withPin(from, pin.line, pin.to))}
          />
        ))}
        <Adding
          label={texts.pinALine}
          fields={[
            { label: texts.line, options: lines },
            { label: texts.inlet, options: inlets },
          ]}
          onAdd={([line, inlet]) => onChange((from) => withPin(from, line, refOf(inlets, inlet)))}
        />
      </Part>

      <Part title={texts.blockedInlets} empty={!wishes.forbidden?.length && texts.none}>
        {wishes.forbidden?.map((entry) => (
          <Entry
            key={`${inletKey(entry.to)} ${entry.line}`}
            text={`${at(entry.to)}${entry.line ? texts.notBy(lineName(entry.line)) : ''}`}
            onRemove={() =>
              onChange((from) =>
                withWishes(from, { ...from.wishes, forbidden: without(from.wishes?.forbidden, entry) }),
              )
            }
          />
        ))}
        <Adding
          label={texts.blockAnInlet}
          fields={[
            { label: texts.inlet, options: inlets },
            { label: 'To', options: [{ key: '', name: texts.everyLine }, ...lines], start: '' },
          ]}
          onAdd={([inlet, line]) =>
            onChange((from) =>
              withWishes(from, {
                ...from.wishes,
                forbidden: [...(from.wishes?.forbidden ?? []), { to: refOf(inlets, inlet), ...(line && { line }) }],
              }),
            )
          }
        />
      </Part>

      <Part title={texts.neighbours} empty={!wishes.neighbours?.length && texts.none}>
        {wishes.neighbours?.map((pair) => (
          <Entry
            key={pair.join(' ')}
            text={pair.map(lineName).join(texts.joined)}
            onRemove={() =>
              onChange((from) =>
                withWishes(from, { ...from.wishes, neighbours: without(from.wishes?.neighbours, pair) }),
              )
            }
          />
        ))}
        <Adding
          label={texts.keepTwoLinesTogether}
          fields={[
            { label: texts.oneLine, options: lines },
            { label: texts.otherLine, options: lines },
          ]}
          valid={([a, b]) => a !== b}
          onAdd={([a, b]) =>
            onChange((from) =>
              withWishes(from, { ...from.wishes, neighbours: [...(from.wishes?.neighbours ?? []), [a, b]] }),
            )
          }
        />
      </Part>

      <Part title={texts.positionsAndCableRuns}>
        <Typography variant="body2" color="textSecondary" sx={{ mb: 0.5 }}>
          {document.locations?.length
            ? texts.runsAreMeasured(document.locations.map(({ name }) => name).join(', '), document.runs?.length)
            : texts.notSetEveryLineKeeps}
        </Typography>
        <Button variant="outlined" color="inherit" onClick={() => setPlacing(true)}>
          {texts.openPositionsAndCableRuns}
        </Button>
      </Part>

      <Part title={texts.batteries}>{school('batteryVoltage')}</Part>

      <Part title={texts.theCase}>
        {school('lastSpare')}
        {school('ownedPart')}
      </Part>
      {placing && <PlacesDialog document={document} onChange={onChange} onClose={() => setPlacing(false)} />}
    </Box>
  );
}

interface Choice {
  key: string;
  name: string;
}

const inletsOf = ({ devices }: RigDocument): (Choice & { ref: InletRef })[] =>
  devices.flatMap((device) =>
    device.inlets.map((inlet) => {
      const ref = { device: device.id, inlet: inlet.id };
      return { key: inletKey(ref), name: inletName(device, inlet), ref };
    }),
  );

const refOf = (inlets: readonly { key: string; ref: InletRef }[], key: string): InletRef =>
  inlets.find((each) => each.key === key)!.ref;

function Part({ title, empty, children }: { title: string; empty?: string | false; children: ReactNode }) {
  return (
    <Box component="section" aria-label={title} sx={{ mt: 2, pt: 1.25, borderTop: 1, borderColor: 'divider' }}>
      <Typography variant="h3" component="h3" sx={{ mb: 0.5 }}>
        {title}
      </Typography>
      {empty && (
        <Typography variant="body2" color="textSecondary">
          {empty}
        </Typography>
      )}
      {children}
    </Box>
  );
}

function Entry({ text, onRemove }: { text: string; onRemove: () => void }) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', justifyContent: 'space-between' }}>
      <Typography variant="body2">{text}</Typography>
      <IconButton size="small" aria-label={texts.remove(text)} onClick={onRemove}>
        <CloseIcon sx={{ fontSize: 15 }} />
      </IconButton>
    </Box>
  );
}

interface AddingProps {
  label: string;
  fields: { label: string; options: readonly Choice[]; start?: string }[];
  valid?: (values: string[]) => boolean;
  onAdd: (values: string[]) => void;
}

/** A button that opens a few fields and adds what is chosen in them. */
function Adding({ label, fields, valid = () => true, onAdd }: AddingProps) {
  const [values, setValues] = useState<(string | undefined)[]>();
  if (!values)
    return (
      <Button color="inherit" sx={{ mt: 0.5, ml: -0.5 }} onClick={() => setValues(fields.map(({ start }) => start))}>
        {label}
      </Button>
    );
  const complete = values.every((value) => value !== undefined) && valid(values as string[]);
  return (
    <Box sx={{ display: 'grid', gap: 1.25, mt: 1.25 }}>
      {fields.map((field, n) => (
        <TextField
          key={field.label}
          select
          label={field.label}
          value={values[n] ?? ''}
          onChange={(event) => setValues(values.with(n, event.target.value))}
        >
          {field.options.map(({ key, name }) => (
            <MenuItem key={key} value={key}>
              {name}
            </MenuItem>
          ))}
        </TextField>
      ))}
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button
          variant="outlined"
          disabled={!complete}
          onClick={() => {
            onAdd(values as string[]);
            setValues(undefined);
          }}
        >
          {label}
        </Button>
        <Button color="inherit" onClick={() => setValues(undefined)}>
          {texts.cancel}
        </Button>
      </Box>
    </Box>
  );
}
