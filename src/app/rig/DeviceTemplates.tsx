'use client';

import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { DEVICE_TEMPLATES, type DeviceTemplate } from '@/core/rig';

/** Devices as most of their sort are, one press each; what differs is put right afterwards. */
export function DeviceTemplates({ onAdd }: { onAdd: (template: DeviceTemplate) => void }) {
  return (
    <Box
      role="group"
      aria-label="Add a device"
      sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'repeat(auto-fill, minmax(180px, 1fr))' }}
    >
      {DEVICE_TEMPLATES.map((template) => (
        <ButtonBase
          key={template.name}
          onClick={() => onAdd(template)}
          sx={{
            display: 'block',
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
