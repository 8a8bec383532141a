import type { Metadata, Viewport } from 'next';
import { cookies } from 'next/headers';
import type { ReactNode } from 'react';
import { LOOK_COOKIE, lookIn } from '@/contract/device-look';
import { datesOfFirm } from '@/server/firm/date-words';
import { installation } from '@/server/open-installation';
import { DatesIn } from '@/ui/kit/dates-in';
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

export default async function RootLayout({ children }: { children: ReactNode }) {
  const { theme, text } = lookIn((await cookies()).get(LOOK_COOKIE)?.value);
  return (
    <html lang="en" data-theme={theme} data-text={text}>
      <body>
        <DatesIn words={datesOfFirm(installation().db)}>{children}</DatesIn>
      </body>
    </html>
  );
}
