'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import { useState } from 'react';
import { withMainsEdit, type MainsReport } from '@/core/mains';
import { CONNECTIONS, EARTH, type ConnectionKind, type RigDocument } from '@/core/rig';
import { MOST_CONNECTIONS } from '@/core/rig/mains';
import { Choice } from '@/ui/shell/Choice';
import { MainsTable } from './MainsTable';
import { RemoveButton } from './RemoveButton';
import { connectionTable as text } from './texts';

interface Props {
  document: RigDocument;
  report: MainsReport;
  onChange: (change: (from: RigDocument) => RigDocument) => void;
}

/** What joins the grounds of units beside the lines: data and display leads, racks, bonding leads. */
export function ConnectionTable({ document, report: { system }, onChange }: Props) {
  const connections = document.mains?.connections ?? [];
  const ends = [...system.units.map(({ id, name }) => [id, name] as const), [EARTH, text.earthOfTheSupply] as const];
  const nameOf = (id: string) => ends.find(([each]) => each === id)?.[1] ?? id;
  const [kind, setKind] = useState<ConnectionKind>('USB');
  const [[a, b], setBetween] = useState(['', '']);
  return (
    <MainsTable
      title={text.connectionsBesidesTheLines}
      headings={[text.between, text.and, text.kind, text.isolator, '']}
    >
      {connections.map(({ between, kind: own, isolated }, at) => (
        <tr key={`${between.join(' ')} ${at}`}>
          <th scope="row">{nameOf(between[0])}</th>
          <td>{nameOf(between[1])}</td>
          <td>{CONNECTIONS[own]}</td>
          <td>
            {(own === 'USB' || own === 'network' || own === 'display') && (
              <Checkbox
                checked={isolated ?? false}
                slotProps={{
                  input: {
                    'aria-label': text.isolatorInBetween(CONNECTIONS[own], between.map(nameOf).join(text.joined)),
                  },
                }}
                onChange={({ target }) =>
                  onChange((from) => withMainsEdit(from, { do: 'isolate', at, to: target.checked }))
                }
              />
            )}
          </td>
          <td>
            <RemoveButton
              label={text.removeBetween(CONNECTIONS[own], between.map(nameOf).join(text.joined))}
              onRemove={() => onChange((from) => withMainsEdit(from, { do: 'disconnect', at }))}
            />
          </td>
        </tr>
      ))}
      <tr>
        <td colSpan={5}>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, py: 0.5 }}>
            <Choice label={text.from} value={a} onChoose={(to) => setBetween([to, b])} options={ends} />
            <Choice label={text.to} value={b} onChoose={(to) => setBetween([a, to])} options={ends} />
            <Choice
              label={text.kindOfConnection}
              value={kind}
              onChoose={(to) => setKind(to as ConnectionKind)}
              options={Object.entries(CONNECTIONS)}
            />
            <Button
              variant="outlined"
              disabled={!a || !b || a === b || connections.length >= MOST_CONNECTIONS}
              onClick={() => {
                onChange((from) => withMainsEdit(from, { do: 'connect', between: [a, b], kind }));
                setBetween(['', '']);
              }}
            >
              {text.addConnection}
            </Button>
          </Box>
        </td>
      </tr>
    </MainsTable>
  );
}
