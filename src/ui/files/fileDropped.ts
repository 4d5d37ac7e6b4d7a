import type { DragEvent } from 'react';

const hasFile = ({ dataTransfer }: DragEvent): boolean => dataTransfer.types.includes('Files');

/** What an element needs that takes a file which is dropped on it. */
export const fileDrop = (onFile: (file: File) => void) => ({
  onDragOver: (event: DragEvent) => {
    if (hasFile(event)) event.preventDefault();
  },
  onDrop: (event: DragEvent) => {
    if (!hasFile(event)) return;
    event.preventDefault();
    const [file] = event.dataTransfer.files;
    if (file) onFile(file);
  },
});
