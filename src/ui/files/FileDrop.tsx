'use client';

import UploadFileOutlinedIcon from '@mui/icons-material/UploadFileOutlined';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRef } from 'react';
import { DropZone } from './DropZone';
import { fileDrop as text } from './texts';

interface Props {
  label: string;
  accept: string;
  /** The file as it is, whatever is in it. */
  onFile: (file: File) => void;
  /** A file that is not even read. */
  onRefused: (file: string, why: string) => void;
}

/** Largest file that is read, in bytes; what is in it may be refused for being too much all the same. */
const MOST = 64 * 1024 * 1024;

/** A place to drop a file on, or to choose one. */
export function FileDrop({ label, accept, onFile, onRefused }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const take = (file: File | undefined) => {
    if (!file) return;
    if (file.size > MOST) return onRefused(file.name, text.itIsLargerThanMib(MOST / 1024 / 1024));
    onFile(file);
  };
  return (
    <DropZone onFile={(file) => take(file)}>
      <Button variant="outlined" startIcon={<UploadFileOutlinedIcon />} onClick={() => input.current?.click()}>
        {text.chooseAFile}
      </Button>
      <Typography variant="body2" color="textSecondary">
        {text.orDropItHere(label)}
      </Typography>
      <input
        ref={input}
        type="file"
        accept={accept}
        hidden
        aria-label={label}
        onChange={(event) => {
          take(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
    </DropZone>
  );
}
