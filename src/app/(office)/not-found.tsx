import { NotHere } from '@/ui/kit/not-here';

/** Inside the frame, whose main it stands in. */
export default function NotFoundHere() {
  return (
    <div className="letter">
      <NotHere />
    </div>
  );
}
