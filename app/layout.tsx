import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import '@fontsource-variable/archivo/wdth.css';
import './globals.css';
import { fontFaces } from '@/core/type/fontFaces';

export const metadata: Metadata = { title: 'Restless Kite', description: 'Lay out recurring issues on column grids' };

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en-GB">
      <head>
        <style dangerouslySetInnerHTML={{ __html: fontFaces() }} />
      </head>
      <body>{children}</body>
    </html>
  );
}
