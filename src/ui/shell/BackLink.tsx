'use client';

import Button from '@mui/material/Button';
import NextLink from 'next/link';

/** A button that leads to another page of the application. */
export function BackLink({ href, label }: { href: string; label: string }) {
  return (
    <Button component={NextLink} prefetch={false} href={href} sx={{ color: '#234e8f' }}>
      {label}
    </Button>
  );
}
