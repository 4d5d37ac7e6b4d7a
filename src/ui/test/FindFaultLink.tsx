import Button from '@mui/material/Button';
import NextLink from 'next/link';
import type { Symptom } from '@/core/testing';
import { findFaultLink as text } from './texts';

interface Props {
  /** Id of the rig. */
  rig: string;
  line: string;
  /** What is heard of it, where that is known. */
  heard?: Symptom;
  variant?: 'outlined' | 'text';
  height?: number;
  children?: string;
}

/** The way from where something sounds wrong to what it is. */
export function FindFaultLink({ rig, line, heard, variant = 'outlined', height = 44, children }: Props) {
  const asked = new URLSearchParams({ rig, line, ...(heard && { heard }) });
  return (
    <Button component={NextLink} prefetch={false} href={`/test?${asked}`} variant={variant} sx={{ minHeight: height }}>
      {children ?? text.findTheFault}
    </Button>
  );
}
