'use client';
import { useState } from 'react';
import { callArea } from '@/contract/commands/sites';
import type { WalkArea } from '@/contract/views/walk';
import { LinkButton } from '../kit/link-button';
import { WordForm } from '../kit/word-form';
import type { Walking } from './use-walk';

/** What people call this area: learnt once, and known to whoever tells a walk from then on. */
export function AlsoCalled({ area, walking }: { area: WalkArea; walking: Walking }) {
  const [open, setOpen] = useState(false);
  const learn = (name: string): void => {
    setOpen(false);
    walking.write(callArea, { id: area.id, name }, `“${name}” is ${area.name} from now on.`);
  };
  return (
    <div className="soft small-text also-called no-print">
      {area.called.length > 0 && <>also called {area.called.join(', ')} · </>}
      <LinkButton aria-expanded={open} onClick={() => setOpen(!open)}>
        what they call it
      </LinkButton>
      {open && (
        <WordForm
          focus
          label={`Another name for ${area.name}`}
          placeholder="like “the big room”"
          submit="Learn it"
          most={40}
          missing="Say what they call it."
          onKeep={learn}
        />
      )}
    </div>
  );
}
