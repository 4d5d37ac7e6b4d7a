'use client';

import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { createContext, useContext, type ReactNode } from 'react';
import { theme } from './theme';

const Nonce = createContext<string | undefined>(undefined);

/** The nonce that style elements made later must carry. */
export const useNonce = () => useContext(Nonce);

export function Providers({ nonce, children }: { nonce?: string; children: ReactNode }) {
  return (
    <AppRouterCacheProvider options={{ nonce, enableCssLayer: false }}>
      <ThemeProvider theme={theme} defaultMode="system">
        <CssBaseline />
        <Nonce value={nonce}>{children}</Nonce>
      </ThemeProvider>
    </AppRouterCacheProvider>
  );
}
