import type { ReactNode } from 'react';
import { visitor } from '@/server/access/visitor';
import { house } from '@/server/house';
import { frameView } from '@/server/sites/queries';
import { AppShell } from '@/ui/frame/frame';

export const dynamic = 'force-dynamic';

export default async function HouseLayout({ children }: { children: ReactNode }) {
  const person = await visitor();
  return <AppShell view={frameView(house(), person)}>{children}</AppShell>;
}
