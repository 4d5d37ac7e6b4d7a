import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import type { RowReport } from '@/core/tables';
import { rowTable as text } from './texts';

/** What each row of a file would do, before anything changes. */
export function RowTable({ rows }: { rows: RowReport[] }) {
  const count = (did: RowReport['did']) => rows.filter((row) => row.did === did).length;
  return (
    <Box>
      <Typography variant="body2" gutterBottom>
        {text.counted(count('adds'), count('changes'), count('unchanged'), count('refused'))}
      </Typography>
      <Box sx={{ maxHeight: 320, overflowY: 'auto' }}>
        <Table size="small" stickyHeader aria-label={text.whatEachRowWouldDo}>
          <TableHead>
            <TableRow>
              <TableCell>{text.row}</TableCell>
              <TableCell>{text.name}</TableCell>
              <TableCell>{text.does}</TableCell>
              <TableCell>{text.what}</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {rows.map(({ line, name, did, what }) => (
              <TableRow key={line}>
                <TableCell>{line}</TableCell>
                <TableCell>{name}</TableCell>
                <TableCell
                  sx={{
                    color: did === 'refused' ? 'error.main' : undefined,
                    fontWeight: did === 'refused' ? 650 : 400,
                    whiteSpace: 'nowrap',
                  }}
                >
                  {did}
                </TableCell>
                <TableCell>{what}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
    </Box>
  );
}
