'use client';

import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import NextLink from 'next/link';
import { useEffect, useState } from 'react';
import type { SavedShop } from '@/store/shop';
import { ask } from '@/ui/shell/ask';
import { shopList as text } from './texts';

/** When an item was at the repair shop, or should be: its history. Nothing where it never was. */
export function ShopList({ item }: { item: string }) {
  const [known, setKnown] = useState<{ item: string; records: SavedShop[]; failed?: string }>();
  useEffect(() => {
    let left = false;
    void ask<{ records: SavedShop[] }>(`/api/shop?item=${encodeURIComponent(item)}`).then(
      ({ body, failed }) => !left && setKnown({ item, records: body?.records ?? [], failed }),
    );
    return () => {
      left = true;
    };
  }, [item]);
  if (!known || known.item !== item || (known.records.length === 0 && !known.failed)) return null;
  return (
    <Box component="section" aria-label={text.repairShop} sx={{ mb: 2 }}>
      <Typography variant="h3" component="h3" gutterBottom>
        {text.repairShop}
      </Typography>
      {known.failed && <Typography variant="body2">{known.failed}</Typography>}
      <Box component="ul" sx={{ m: 0, pl: 2.5, fontSize: 'body2.fontSize' }}>
        {known.records.map(({ id, at, record }) => (
          <li key={id}>
            <Link component={NextLink} href={`/kit/shop?record=${id}`}>
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
