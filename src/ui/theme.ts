'use client';

import { createTheme, type Theme } from '@mui/material/styles';
import type { CSSProperties, SyntheticEvent } from 'react';
import { OverList } from './shell/OverList';

/** Screens wider than a phone’s. */
const WIDE = '@media (min-width: 720px)';

declare module '@mui/material/styles' {
  interface Palette {
    verdict: Record<'Stop' | 'Silent' | 'Watch' | 'Clear', string>;
    hairline: string;
    tint: Tints;
  }
  interface PaletteOptions {
    verdict?: Record<'Stop' | 'Silent' | 'Watch' | 'Clear', string>;
    hairline?: string;
    tint?: Tints;
  }
  interface TypographyVariants extends Record<OwnText, TextStyle> {}
  interface TypographyVariantsOptions extends Partial<Record<OwnText, TextStyle>> {}
}
declare module '@mui/material/Typography' {
  interface TypographyPropsVariantOverrides extends Record<OwnText, true> {}
}

/**
 * Styles of text besides those of the library: the heading of a panel; what leads on to something; what is pressed with cold
 * hands; the title of a page on paper and a meter’s figure; what is to be done or asked now; the clock of a wait.
 */
type OwnText = 'panel' | 'lead' | 'large' | 'title' | 'step' | 'clock';
type TextStyle = CSSProperties & { [WIDE]?: CSSProperties };

/** What shows where the keyboard is: 3 to 1 at least against what is around it (WCAG 2.2, 2.4.7 and 1.4.11). */
const focusRing = ({ vars }: Pick<Theme, 'vars'>) => ({
  outline: `2px solid ${vars!.palette.primary.main}`,
  outlineOffset: 1,
});

/** A rail from nothing to 48 V, by volts: pale steel, straw, amber, vermilion. */
type Tints = Record<0 | 3 | 12 | 24 | 48, string>;
export const TINTS: Record<'light' | 'dark', Tints> = {
  light: { 0: '#9aa1a6', 3: '#a8956a', 12: '#b57b2c', 24: '#bf5f1a', 48: '#b0320f' },
  dark: { 0: '#6d757c', 3: '#9c8c63', 12: '#cfa04a', 24: '#ee9a4d', 48: '#ff7d58' },
};

/** Where a thumb presses: 44 px at least (WCAG 2.5.5), on screens as narrow as a phone's. */
const THUMB = 44;
/** The least size of a text: 12 px. */
const LEAST = '0.75rem';
/** What `LEAST` is of the text in a field. */
const SHRUNK = 0.86;
const onPhone = ({ breakpoints }: Pick<Theme, 'breakpoints'>, style: object) => ({ [breakpoints.down('md')]: style });

/** As each field of the component library would add and remove it: by the start of these a field learns that it is filled. */
const FILLED_BY_THE_BROWSER = {
  '@keyframes mui-auto-fill': { from: { animationName: 'mui-auto-fill' } },
  '@keyframes mui-auto-fill-cancel': { from: { animationName: 'mui-auto-fill-cancel' } },
  '.MuiInputBase-input': {
    animationName: 'mui-auto-fill-cancel',
    animationDuration: '10ms',
    '&:-webkit-autofill': { animationName: 'mui-auto-fill', animationDuration: '5000s' },
  },
};

/** An engineer's bench sheet: calm ground, hairlines instead of boxes, one accent, figures in tabular digits. */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data-scheme' },
  colorSchemes: {
    light: {
      palette: {
        background: { default: '#f2f3f0', paper: '#fbfbf9' },
        text: { primary: '#1b1f23', secondary: '#545b62' },
        primary: { main: '#234e8f' },
        error: { main: '#b3261e' },
        divider: '#d3d5cf',
        hairline: '#d3d5cf',
        verdict: { Stop: '#b3261e', Silent: '#5b4a9c', Watch: '#855300', Clear: '#176b45' },
        tint: TINTS.light,
      },
    },
    dark: {
      palette: {
        background: { default: '#14171a', paper: '#1b1f23' },
        text: { primary: '#e8e9e6', secondary: '#a7adb3' },
        primary: { main: '#9dbff5' },
        error: { main: '#ff8a80' },
        divider: '#343a40',
        hairline: '#343a40',
        verdict: { Stop: '#ff8a80', Silent: '#bcaef5', Watch: '#f0b64d', Clear: '#7bd3a6' },
        tint: TINTS.dark,
      },
    },
  },
  breakpoints: { values: { xs: 0, sm: 600, md: 720, lg: 1120, xl: 1536 } },
  typography: {
    fontFamily: '"Inter Variable", system-ui, sans-serif',
    fontSize: 13,
    h1: { fontSize: '1.25rem', fontWeight: 650, letterSpacing: '-0.01em' },
    h2: { fontSize: '0.95rem', fontWeight: 650 },
    h3: { fontSize: '0.875rem', fontWeight: 650 },
    body1: { fontSize: '0.875rem', lineHeight: 1.45 },
    body2: { fontSize: '0.8125rem', lineHeight: 1.45 },
    caption: { fontSize: LEAST, lineHeight: 1.4 },
    button: { textTransform: 'none', fontWeight: 600 },
    panel: { fontSize: '1.05rem', fontWeight: 650, letterSpacing: '-0.01em', lineHeight: 1.167 },
    lead: { fontSize: '1.05rem', lineHeight: 1.45 },
    large: { fontSize: '1.1rem', lineHeight: 1.45 },
    title: { fontSize: '1.5rem', fontWeight: 650, letterSpacing: '-0.01em', lineHeight: 1.2 },
    step: {
      fontSize: '1.7rem',
      fontWeight: 650,
      letterSpacing: '-0.02em',
      lineHeight: 1.15,
      [WIDE]: { fontSize: '2.1rem' },
    },
    clock: {
      fontSize: '4.5rem',
      fontWeight: 700,
      letterSpacing: '-0.03em',
      lineHeight: 1,
      [WIDE]: { fontSize: '6rem' },
    },
  },
  shape: { borderRadius: 3 },
  components: {
    MuiCssBaseline: {
      styleOverrides: (theme) => ({
        // For figures alone: with them hyphens of words stand apart.
        'table, svg, dl, time, [role="timer"], .MuiDataGrid-root': { fontVariantNumeric: 'tabular-nums' },
        ':focus-visible': focusRing(theme),
        // A field with a border shows it by that; another one has the ring.
        '.MuiInputBase-root:not(.MuiOutlinedInput-root) .MuiInputBase-input:focus-visible': focusRing(theme),
        ...onPhone(theme, { summary: { paddingBlock: 13 } }),
        ...FILLED_BY_THE_BROWSER,
        '@media (prefers-reduced-motion: reduce)': {
          '*': { transition: 'none !important', animation: 'none !important' },
        },
      }),
    },
    MuiButtonBase: {
      defaultProps: { disableRipple: true },
      styleOverrides: {
        root: ({ theme }) => ({
          fontFamily: 'inherit',
          '&.Mui-focusVisible': { ...focusRing(theme), zIndex: 1 },
          ...onPhone(theme, { minHeight: THUMB, minWidth: THUMB }),
        }),
      },
    },
    MuiButton: { defaultProps: { disableElevation: true, size: 'small' } },
    MuiTextField: { defaultProps: { size: 'small' } },
    MuiMenu: { defaultProps: { slotProps: { list: { component: OverList } } } },
    // Whoever presses a field for long lets go over its list, which lies there by then: that chooses nothing.
    MuiSelect: {
      defaultProps: {
        MenuProps: { slotProps: { list: { onMouseUpCapture: (up: SyntheticEvent) => up.stopPropagation() } } },
      },
    },
    // A label above what a field holds is as large as the least text.
    MuiInputLabel: {
      styleOverrides: {
        outlined: ({ theme }) => ({
          ...onPhone(theme, { '&:not(.MuiInputLabel-shrink)': { transform: 'translate(14px, 12px)' } }),
          '&.MuiInputLabel-shrink': {
            transform: `translate(14px, -9px) scale(${SHRUNK})`,
            maxWidth: `calc(${100 / SHRUNK}% - 32px)`,
          },
        }),
        standard: { '&.MuiInputLabel-shrink': { transform: `translate(0, -1.5px) scale(${SHRUNK})` } },
      },
    },
    MuiOutlinedInput: { styleOverrides: { notchedOutline: { legend: { fontSize: `${SHRUNK}em` } } } },
    // What tells a field that the browser has filled it stands once for all fields: in MuiCssBaseline.
    MuiInputBase: {
      defaultProps: { disableInjectingGlobalStyles: true },
      styleOverrides: { root: ({ theme }) => onPhone(theme, { minHeight: THUMB }) },
    },
    MuiFormControlLabel: { styleOverrides: { root: ({ theme }) => onPhone(theme, { minHeight: THUMB }) } },
    MuiTab: { styleOverrides: { root: ({ theme }) => onPhone(theme, { minHeight: THUMB }) } },
    MuiTabs: { styleOverrides: { root: ({ theme }) => onPhone(theme, { minHeight: THUMB }) } },
    MuiPaper: { styleOverrides: { root: { backgroundImage: 'none' } } },
    MuiToggleButton: {
      styleOverrides: {
        root: ({ theme: { vars } }) => ({ padding: '3px 10px', lineHeight: 1.5, color: vars.palette.text.secondary }),
      },
    },
    MuiTooltip: { defaultProps: { enterDelay: 400 }, styleOverrides: { tooltip: { fontSize: LEAST } } },
  },
});
