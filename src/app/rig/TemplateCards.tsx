'use client';

import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';

interface Props<T> {
  label: string;
  templates: readonly T[];
  /** Least width of one, in pixels. */
  width: number;
  onTake: (template: T) => void;
}

/** Things to begin from, one press each: what it is called, and what it has. */
export function TemplateCards<T extends { name: string; what: string }>({ label, templates, width, onTake }: Props<T>) {
  return (
    <Box
      role="group"
      aria-label={label}
      sx={{ display: 'grid', gap: 1, gridTemplateColumns: `repeat(auto-fill, minmax(${width}px, 1fr))` }}
    >
      {templates.map((template) => (
        <ButtonBase
          key={template.name}
          onClick={() => onTake(template)}
          sx={{
            display: 'flex',
            flexDirection: 'column',
            alignItems: 'flex-start',
            justifyContent: 'flex-start',
            textAlign: 'left',
            border: 1,
            borderColor: 'divider',
            bgcolor: 'background.paper',
            px: 1.5,
            py: 1,
            minHeight: 56,
            '&:hover': { bgcolor: 'action.hover' },
          }}
        >
          <Typography sx={{ fontWeight: 650 }}>{template.name}</Typography>
          <Typography variant="caption" color="textSecondary">
            {template.what}
          </Typography>
        </ButtonBase>
      ))}
    </Box>
  );
}
