import type { ReactNode } from 'react';
import { visitor } from '@/server/access/visitor';
import { installation } from '@/server/open-installation';
import { frameView } from '@/server/views/job-head';
import { AppShell } from '@/ui/shell/app-shell';
import '../../ui/look/office.scss';

export const dynamic = 'force-dynamic';

export default async function HouseLayout({ children }: { children: ReactNode }) {
  const person = await visitor('person');
  return <AppShell view={frameView(installation(), person)}>{children}</AppShell>;
}
