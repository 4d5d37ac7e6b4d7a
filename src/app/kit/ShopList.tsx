'use client';

import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import NextLink from 'next/link';
import type { SavedShop } from '@/store/shop';
import { whyNot } from '@/ui/shell/queries';
import { shopList as text } from './texts';

/** When an item was at the repair shop, or should be: its history. Nothing where it never was. */
export function ShopList({ item }: { item: string }) {
  const asked = useQuery<{ records: SavedShop[] }>({ queryKey: [`/api/shop?item=${encodeURIComponent(item)}`] });
  const records = asked.data?.records ?? [];
  const failed = whyNot(asked);
  if (records.length === 0 && !failed) return null;
  return (
    <Box component="section" aria-label={text.repairShop} sx={{ mb: 2 }}>
      <Typography variant="h3" component="h3" gutterBottom>
        {text.repairShop}
      </Typography>
      {failed && <Typography variant="body2">{failed}</Typography>}
      <Box component="ul" sx={{ m: 0, pl: 2.5, fontSize: 'body2.fontSize' }}>
        {records.map(({ id, at, record }) => (
          <li key={id}>
            <Link component={NextLink} prefetch={false} href={`/kit/shop?record=${id}`}>
              {text.dayAndRig(at.slice(0, 10), record.rig.name)}
            </Link>
            {record.done ? `: ${record.done.what}, ${record.done.by}, ${record.done.on}` : text.notBackYet}
            {record.done?.cost && `, ${record.done.cost}`}
            {record.done?.warranty && text.warrantyUntil(record.done.warranty)}
          </li>
        ))}
      </Box>
    </Box>
  );
}
