import type { MetadataRoute } from 'next';

/** So that a phone can keep Aftermist on its home screen. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Aftermist',
    short_name: 'Aftermist',
    start_url: '/',
    display: 'standalone',
    background_color: '#f6f4ee',
    theme_color: '#f6f4ee',
    icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
  };
}
