import Box from '@mui/material/Box';

interface Mark {
  name: string;
  colour: string;
  dash?: string;
}

/** What the lines of a chart are. */
export function Legend({ marks, unit }: { marks: readonly Mark[]; unit: string }) {
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, fontSize: 'caption.fontSize', maxWidth: 760 }}>
      {marks.map(({ name, colour, dash }) => (
        <Box key={name} component="span" sx={{ display: 'inline-flex', alignItems: 'center', gap: 0.75 }}>
          <svg width={18} height={6} aria-hidden>
            <line x1={0} x2={18} y1={3} y2={3} stroke={colour} strokeWidth={2} strokeDasharray={dash} />
          </svg>
          {name}
        </Box>
      ))}
      <Box component="span" sx={{ ml: 'auto', color: 'text.secondary' }}>
        {unit}
      </Box>
    </Box>
  );
}
