import '@fontsource-variable/inter';
import InitColorSchemeScript from '@mui/material/InitColorSchemeScript';
import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { STANDARD_CONVENTIONS, type Conventions } from '@/core/units/conventions';
import { loadConventions } from '@/store/conventions';
import { theStore } from '@/store/database';
import { StoreTrouble } from '@/store/trouble';
import { Providers } from '@/ui/Providers';
import { layout as text } from './texts';

export const metadata: Metadata = {
  title: { default: text.inletCheck, template: text.sInletCheck },
  description: text.checkEveryMicrophoneLineBefore,
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <InitColorSchemeScript attribute="data-scheme" defaultMode="system" nonce={nonce} />
        <Providers nonce={nonce} conventions={conventionsSet()}>
          {children}
        </Providers>
      </body>
    </html>
  );
}

/** As set; the standard where the database cannot be used, which the page itself tells. */
function conventionsSet(): Conventions {
  try {
    return loadConventions(theStore());
  } catch (problem) {
    if (problem instanceof StoreTrouble) return STANDARD_CONVENTIONS;
    throw problem;
  }
}
