import type { Metadata, Viewport } from 'next';
import type { ReactNode } from 'react';
import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter';
import '@fontsource/fira-sans-condensed/400.css';
import '@fontsource/fira-sans-condensed/400-italic.css';
import '@fontsource/fira-sans-condensed/500.css';
import '@fontsource/fira-sans-condensed/700.css';
import '@fontsource/fira-mono/400.css';
import '@fontsource/fira-mono/700.css';
import { Frame } from './Frame';

export const metadata: Metadata = {
  title: 'Bathyskop',
  description: 'A workbench beside the drawing board: measured plans into perspective.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default function RootLayout({ children }: { readonly children: ReactNode }) {
  return (
    <html lang="en">
      <body>
        <AppRouterCacheProvider>
          <Frame>{children}</Frame>
        </AppRouterCacheProvider>
      </body>
    </html>
  );
}
