'use client';

import UploadFileOutlinedIcon from '@mui/icons-material/UploadFileOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';

interface Props {
  label: string;
  accept: string;
  /** Largest file that is read, in bytes. */
  most: number;
  onText: (file: string, text: string) => void;
}

/** A place to drop a text file on, or to choose one. */
export function FileDrop({ label, accept, most, onText }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  const [failed, setFailed] = useState('');
  const take = async (file: File | undefined) => {
    if (!file) return;
    if (file.size > most) return setFailed(`${file.name} is larger than ${most / 1024 / 1024} MiB; split it.`);
    setFailed('');
    onText(file.name, await file.text());
  };
  return (
    <Box
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        void take(event.dataTransfer.files[0]);
      }}
      sx={{
        border: 1,
        borderStyle: 'dashed',
        borderColor: over ? 'primary.main' : 'divider',
        bgcolor: over ? 'action.hover' : undefined,
        p: 2,
        display: 'flex',
        alignItems: 'center',
        gap: 2,
        flexWrap: 'wrap',
      }}
    >
      <Button variant="outlined" startIcon={<UploadFileOutlinedIcon />} onClick={() => input.current?.click()}>
        Choose a file
      </Button>
      <Typography variant="body2" color="textSecondary">
        {label}, or drop it here
      </Typography>
      <input
        ref={input}
        type="file"
        accept={accept}
        hidden
        aria-label={label}
        onChange={(event) => {
          void take(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      {failed && (
        <Typography variant="body2" color="error" role="alert">
          {failed}
        </Typography>
      )}
    </Box>
  );
}
