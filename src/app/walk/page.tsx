import { WalkHere } from '@/ui/walks/walk-here';
import '../../ui/look/office.scss';

export const metadata = { title: 'Walk' };
export const dynamic = 'force-dynamic';

/**
 * The shell that the device keeps: it holds nothing of any job, and draws the walk of its address from what is kept
 * here.
 */
export default function WalkShell() {
  return <WalkHere />;
}
