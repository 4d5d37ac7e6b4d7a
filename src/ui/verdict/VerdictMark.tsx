import { visuallyHidden } from '@mui/utils';
import Box from '@mui/material/Box';
import { memo } from 'react';
import type { Verdict } from '@/core/check';

/** Each verdict has a shape of its own besides its word and tint. */
const SHAPES: Record<Verdict, React.ReactNode> = {
  Stop: <path d="M5 1h6l4 4v6l-4 4H5l-4-4V5z M4.5 7.2h7v1.6h-7z" fillRule="evenodd" />,
  Silent: <path d="M1 7.2h3v1.6H1zM6.5 7.2h3v1.6h-3zM12 7.2h3v1.6h-3zM2.6 14.6 13.4 1.4l1 .9L3.6 15.5z" />,
  Watch: <path d="M8 1.2 15.4 14.6H.6zM8 4.6 3.4 13h9.2z" fillRule="evenodd" />,
  Clear: <path d="M1.2 8.6 2.6 7.2l3.6 3.6 7.2-7.6 1.4 1.4-8.6 9z" />,
};

/** A verdict as word, shape and tint. */
export const VerdictMark = memo(function VerdictMark({
  verdict,
  count,
  size = 'small',
  brief = false,
}: {
  verdict: Verdict;
  count?: number | '…';
  size?: 'small' | 'large';
  /** Without its word where the screen is as narrow as a phone's; it is still read out. */
  brief?: boolean;
}) {
  const pixels = size === 'large' ? 18 : 13;
  return (
    <Box
      component="span"
      sx={(theme) => ({
        display: 'inline-flex',
        alignItems: 'center',
        gap: 0.75,
        whiteSpace: 'nowrap',
        fontWeight: 650,
        fontSize: size === 'large' ? 'large.fontSize' : 'body2.fontSize',
        color: theme.vars!.palette.verdict[verdict],
      })}
    >
      <svg width={pixels} height={pixels} viewBox="0 0 16 16" fill="currentColor" aria-hidden>
        {SHAPES[verdict]}
      </svg>
      {count !== undefined && `${count} `}
      {brief ? (
        <Box component="span" sx={({ breakpoints }) => ({ [breakpoints.down('md')]: visuallyHidden })}>
          {verdict}
        </Box>
      ) : (
        verdict
      )}
    </Box>
  );
});
