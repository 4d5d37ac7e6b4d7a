'use client';

import AltRouteOutlinedIcon from '@mui/icons-material/AltRouteOutlined';
import CasesOutlinedIcon from '@mui/icons-material/CasesOutlined';
import GraphicEqOutlinedIcon from '@mui/icons-material/GraphicEqOutlined';
import MenuBookOutlinedIcon from '@mui/icons-material/MenuBookOutlined';
import PowerSettingsNewIcon from '@mui/icons-material/PowerSettingsNew';
import TroubleshootOutlinedIcon from '@mui/icons-material/TroubleshootOutlined';
import SettingsInputComponentOutlinedIcon from '@mui/icons-material/SettingsInputComponentOutlined';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import NextLink from 'next/link';
import { memo, type PointerEvent } from 'react';
import { placeRail as text } from './texts';

const PLACES = [
  { path: '/rig', label: text.rig, Icon: SettingsInputComponentOutlinedIcon },
  { path: '/kit', label: text.kit, Icon: CasesOutlinedIcon },
  { path: '/plan', label: text.plan, Icon: AltRouteOutlinedIcon },
  { path: '/switch', label: text.switchWord, Icon: PowerSettingsNewIcon },
  { path: '/test', label: text.test, Icon: TroubleshootOutlinedIcon },
  { path: '/noise', label: text.noise, Icon: GraphicEqOutlinedIcon },
  { path: '/log', label: text.log, Icon: MenuBookOutlinedIcon },
] as const;

export type PlacePath = (typeof PLACES)[number]['path'];

/** What is being pressed on a rail. */
let pressed: { path: PlacePath; on: Element } | undefined;

const press = (path: PlacePath, { button, currentTarget }: PointerEvent) => {
  if (button !== 0) return;
  pressed = { path, on: currentTarget };
  for (const end of ['pointerup', 'pointercancel'])
    window.addEventListener(end, () => (pressed = undefined), { once: true });
};

/** Where the next place came while a link was pressed, its rail goes on with the press: to a browser it is another link. */
const release = (path: PlacePath, { currentTarget }: PointerEvent<HTMLElement>) => {
  if (pressed?.path === path && pressed.on !== currentTarget) currentTarget.click();
};

/** The places of the application in working order; the same rig stays open in each. A strip at the foot of a phone. */
export const PlaceRail = memo(function PlaceRail({ here, rig }: { here: string; rig?: string }) {
  return (
    <Box
      component="nav"
      aria-label={text.places}
      sx={{
        gridArea: 'rail',
        display: 'flex',
        flexDirection: { xs: 'row', md: 'column' },
        borderRight: { md: 1 },
        borderTop: { xs: 1, md: 0 },
        borderColor: { xs: 'divider', md: 'divider' },
        bgcolor: 'background.default',
        pt: { md: 0.5 },
        justifyContent: { xs: 'space-around', md: 'flex-start' },
        position: { xs: 'sticky', md: 'static' },
        bottom: 0,
        zIndex: 2,
      }}
    >
      {PLACES.map(({ path, label, Icon }) => {
        const on = path === here;
        return (
          <ButtonBase
            key={path}
            component={NextLink}
            // A place reads and solves the rig: not for whoever only passes by.
            prefetch={false}
            href={rig === undefined ? path : `${path}?rig=${encodeURIComponent(rig)}`}
            aria-current={on ? 'page' : undefined}
            onPointerDown={(event) => press(path, event)}
            onPointerUp={(event) => release(path, event)}
            sx={{
              display: 'flex',
              flexDirection: 'column',
              gap: 0.4,
              py: 1.1,
              minWidth: { xs: 48, md: 60 },
              fontSize: 'caption.fontSize',
              fontWeight: on ? 700 : 500,
              color: on ? 'primary.main' : 'text.secondary',
              '&:hover': { color: 'text.primary' },
              '&:focus-visible': { outlineOffset: -2 },
            }}
          >
            <Icon sx={{ fontSize: 20 }} />
            {label}
          </ButtonBase>
        );
      })}
    </Box>
  );
});
