'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useMemo } from 'react';
import { hours, runningTimes } from '@/core/plan';
import type { Held } from './usePlanning';

/** Up to three proposals side by side. */
export function CompareTable({ held }: { held: Held[] }) {
  const lasting = useMemo(() => held.map(({ proposal }) => runningTimes(proposal.document)), [held]);
  const rows: [string, (plan: Held, n: number) => string][] = [
    ['Clear', ({ proposal }) => String(proposal.counts.Clear)],
    ['To watch', ({ proposal }) => String(proposal.counts.Watch)],
    ['Left out', ({ proposal }) => names(proposal.leftOut.map(({ name }) => name))],
    [
      'To get',
      ({ proposal }) => names(proposal.toGet.map(({ label, count }) => (count > 1 ? `${count} × ${label}` : label))),
    ],
    ['Lines changed', ({ proposal }) => String(proposal.lines.length)],
    ['of them moved', ({ proposal }) => String(proposal.lines.filter(moved).length)],
    ['Switches turned', ({ proposal }) => String(proposal.switches.length)],
    [
      'Feeds on',
      ({ proposal }) =>
        String(proposal.document.devices.flatMap(({ groups }) => groups.filter(({ feed }) => feed !== 'off')).length),
    ],
    ...lasting[0].map(({ name, device }): [string, (plan: Held, n: number) => string] => [
      `${name}, one set of batteries`,
      (_, n) => hours(lasting[n].find((time) => time.device === device)?.now.hours ?? 0),
    ]),
    [
      'Proven best',
      ({ proposal, stopped }) => (proposal.optimal ? 'yes' : stopped ? 'no, stopped' : 'no, time was up'),
    ],
  ];
  return (
    <Box
      sx={{ px: 2, py: 1, borderBottom: 1, borderColor: 'divider', overflowX: 'auto' }}
      tabIndex={0}
      role="region"
      aria-label="Comparison of proposals"
    >
      <Table size="small" sx={{ '& td, & th': { borderColor: 'divider', py: 0.5, verticalAlign: 'top' } }}>
        <TableHead>
          <TableRow>
            <TableCell />
            {held.map(({ id }) => (
              <TableCell key={id}>Proposal {id}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map(([label, of]) => (
            <TableRow key={label}>
              <TableCell component="th" scope="row" sx={{ color: 'text.secondary' }}>
                {label}
              </TableCell>
              {held.map((plan, n) => {
                const value = of(plan, n);
                const differs = held.some((other, m) => of(other, m) !== value);
                return (
                  <TableCell key={plan.id} sx={{ fontWeight: differs ? 650 : 400 }}>
                    {value}
                  </TableCell>
                );
              })}
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

const moved = ({ from, to }: Held['proposal']['lines'][number]): boolean =>
  from?.device !== to.device || from.inlet !== to.inlet;

const names = (list: string[]): string => (list.length ? list.join('; ') : '–');
