'use client';

import DeleteOutlineIcon from '@mui/icons-material/DeleteOutlined';
import IconButton from '@mui/material/IconButton';

/** Takes a row out of its table; the keyboard stays with the table. */
export const RemoveButton = ({ label, onRemove }: { label: string; onRemove: () => void }) => (
  <IconButton
    aria-label={label}
    onClick={({ currentTarget }) => {
      currentTarget.closest<HTMLElement>('[role="group"]')?.focus();
      onRemove();
    }}
  >
    <DeleteOutlineIcon fontSize="small" />
  </IconButton>
);
