'use client';

import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { QueryClientProvider } from '@tanstack/react-query';
import { createContext, useContext, useState, type ReactNode } from 'react';
import { setConventions, type Conventions } from '@/core/units/conventions';
import { makeQueries } from './shell/queries';
import { useWayBack } from './shell/useWayBack';
import { useFieldsLeft } from './shell/useLeaveWarning';
import { theme } from './theme';

const Nonce = createContext<string | undefined>(undefined);

/** The nonce that style elements made later must carry. */
export const useNonce = () => useContext(Nonce);

interface Props {
  nonce?: string;
  conventions: Conventions;
  children: ReactNode;
}

export function Providers({ nonce, conventions, children }: Props) {
  // Before anything of the page writes a figure, on the server as in the browser.
  useState(() => setConventions(conventions));
  const [queries] = useState(makeQueries);
  // A page that is asked for once more comes with another one; the browser goes by that of the document.
  const [own] = useState(nonce);
  useFieldsLeft();
  useWayBack();
  return (
    <AppRouterCacheProvider options={{ nonce, enableCssLayer: false }}>
      {/* Without `noSsr` it would change as soon as it is there, and a place that is not yet alive would be drawn again. */}
      <ThemeProvider theme={theme} defaultMode="system" noSsr>
        <CssBaseline />
        <QueryClientProvider client={queries}>
          <Nonce value={own}>{children}</Nonce>
        </QueryClientProvider>
      </ThemeProvider>
    </AppRouterCacheProvider>
  );
}
