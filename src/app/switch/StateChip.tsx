'use client';

import ButtonBase from '@mui/material/ButtonBase';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import type { Known } from '@/core/runsheet';

interface YesNoProps {
  label: string;
  value: Known<boolean>;
  yes: string;
  no: string;
  /** What it is called while nobody knows. */
  unknown: string;
  onChoose: (is: Known<boolean>) => void;
}

/** Something that is so, or not, or that nobody knows. */
export function YesNo({ label, value, yes, no, unknown, onChoose }: YesNoProps) {
  return (
    <Chip
      label={label}
      value={String(value)}
      options={[
        ['true', yes],
        ['false', no],
        ['unknown', unknown],
      ]}
      onChoose={(is) => onChoose(is === 'unknown' ? is : is === 'true')}
    />
  );
}

interface ChipProps {
  label: string;
  value: string;
  options: readonly (readonly [string, string])[];
  strong?: boolean;
  onChoose: (value: string) => void;
}

/** Something that is so, and a menu of how else it could be. */
export function Chip({ label, value, options, strong, onChoose }: ChipProps) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  const text = options.find(([each]) => each === value)?.[1] ?? value;
  return (
    <>
      <ButtonBase
        aria-label={`${label}: ${text}`}
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
        sx={(theme) => ({
          px: 0.9,
          minHeight: 26,
          fontSize: 'caption.fontSize',
          border: 1,
          borderStyle: value === 'unknown' ? 'dashed' : 'solid',
          borderColor: strong ? 'primary.main' : 'divider',
          borderRadius: 0.5,
          fontWeight: strong ? 700 : 500,
          color: value === 'unknown' ? theme.vars!.palette.verdict.Watch : strong ? 'primary.main' : 'text.primary',
          '&:hover': { borderColor: 'text.secondary' },
        })}
      >
        {text}
      </ButtonBase>
      {anchor && (
        <Menu open anchorEl={anchor} onClose={() => setAnchor(undefined)}>
          {options.map(([each, name]) => (
            <MenuItem
              key={each}
              selected={each === value}
              onClick={() => {
                setAnchor(undefined);
                if (each !== value) onChoose(each);
              }}
            >
              {name}
            </MenuItem>
          ))}
        </Menu>
      )}
    </>
  );
}
