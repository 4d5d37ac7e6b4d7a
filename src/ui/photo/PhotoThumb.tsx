'use client';

import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import { photoPath } from './sendPhoto';
import { photoThumb as text } from './texts';

interface Props {
  rig: string;
  photo: string;
  /** What it shows, in words. */
  of: string;
  size?: number;
}

/** A small picture of a photo; pressed, it opens the whole of it in another tab. */
export function PhotoThumb({ rig, photo, of, size = 44 }: Props) {
  const path = photoPath(rig, photo);
  return (
    <Link href={path} target="_blank" rel="noopener" aria-label={text.photo(of)} sx={{ display: 'inline-flex' }}>
      <Box
        component="img"
        src={path}
        alt=""
        loading="lazy"
        sx={{ width: size, height: size, objectFit: 'cover', borderRadius: 0.5, border: 1, borderColor: 'divider' }}
      />
    </Link>
  );
}
