import type { Metadata } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import '@fontsource-variable/archivo/wdth.css';
import './globals.css';
import { EARLY_PRESSES } from '@/client/earlyPresses';
import { fontFaces } from '@/core/type/fontFaces';
import { FieldHelp } from '@/screens/frame/help/FieldHelp';

export const metadata: Metadata = { title: 'Restless Kite', description: 'Lay out recurring issues on column grids' };

export default async function RootLayout({ children }: { children: ReactNode }) {
  // A browser does not tell a page its nonces, so what was written is not what is read.
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  return (
    <html lang="en-GB">
      <head>
        <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: EARLY_PRESSES }} />
        <style dangerouslySetInnerHTML={{ __html: fontFaces() }} />
      </head>
      <body>
        {children}
        <FieldHelp />
      </body>
    </html>
  );
}
