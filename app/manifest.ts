import type { MetadataRoute } from 'next';

/** What makes Elmhorn a thing on the first page of a phone. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    id: '/',
    name: 'Elmhorn',
    short_name: 'Elmhorn',
    description: 'Examine, dose, treat, record, come back.',
    start_url: '/jobs',
    scope: '/',
    display: 'standalone',
    background_color: '#e9ece3',
    theme_color: '#3a3129',
    icons: [
      { src: '/icons/icon-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/icon-512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icons/icon-masked-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  };
}
