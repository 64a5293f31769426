import type { MetadataRoute } from 'next';

/** What a browser installs the application by (W3C Web Application Manifest). */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Bathyskop',
    short_name: 'Bathyskop',
    description: 'A workbench beside the drawing board: measured plans into perspective.',
    start_url: '/',
    display: 'standalone',
    background_color: '#f3ede1',
    theme_color: '#f3ede1',
    icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
  };
}
