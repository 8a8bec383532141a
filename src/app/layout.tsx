import type { Metadata, Viewport } from 'next';
import type { ReactNode } from 'react';
import '../ui/look/look.scss';

export const metadata: Metadata = {
  title: { default: 'Aftermist', template: '%s · Aftermist' },
  description: 'From the walk of a renovation site to the next right order of work.',
};
export const viewport: Viewport = {
  width: 'device-width',
  initialScale: 1,
  themeColor: [
    { media: '(prefers-color-scheme: light)', color: '#f6f4ee' },
    { media: '(prefers-color-scheme: dark)', color: '#11191b' },
  ],
};

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en">
      <body>{children}</body>
    </html>
  );
}
