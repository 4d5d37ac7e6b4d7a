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
import { compareTable as text } from './texts';

/** Up to three proposals side by side. */
export function CompareTable({ held }: { held: Held[] }) {
  const lasting = useMemo(() => held.map(({ proposal }) => runningTimes(proposal.document)), [held]);
  const rows: [string, (plan: Held, n: number) => string][] = [
    [text.clear, ({ proposal }) => String(proposal.counts.Clear)],
    [text.toWatch, ({ proposal }) => String(proposal.counts.Watch)],
    [text.leftOut, ({ proposal }) => names(proposal.leftOut.map(({ name }) => name))],
    [
      text.toGet,
      ({ proposal }) => names(proposal.toGet.map(({ label, count }) => (count > 1 ? `${count} × ${label}` : label))),
    ],
    [text.linesChanged, ({ proposal }) => String(proposal.lines.length)],
    [text.ofThemMoved, ({ proposal }) => String(proposal.lines.filter(moved).length)],
    [text.switchesTurned, ({ proposal }) => String(proposal.switches.length)],
    [
      text.feedsOn,
      ({ proposal }) =>
        String(proposal.document.devices.flatMap(({ groups }) => groups.filter(({ feed }) => feed !== 'off')).length),
    ],
    ...lasting[0].map(({ name, device }): [string, (plan: Held, n: number) => string] => [
      text.oneSetOfBatteries(name),
      (_, n) => hours(lasting[n].find((time) => time.device === device)?.now.hours ?? 0),
    ]),
    [
      text.provenBest,
      ({ proposal, stopped }) => (proposal.optimal ? text.yes : stopped ? text.noStopped : text.noTimeWasUp),
    ],
  ];
  return (
    <Box
      sx={{ px: 2, py: 1, borderBottom: 1, borderColor: 'divider', overflowX: 'auto' }}
      tabIndex={0}
      role="region"
      aria-label={text.comparisonOfProposals}
    >
      <Table size="small" sx={{ '& td, & th': { borderColor: 'divider', py: 0.5, verticalAlign: 'top' } }}>
        <TableHead>
          <TableRow>
            <TableCell />
            {held.map(({ id }) => (
              <TableCell key={id}>{text.proposal(id)}</TableCell>
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
