'use client';
import { useState } from 'react';
import { refuseDone, takeDone } from '@/contract/commands/done-words';
import { api } from '@/contract/routes';
import type { DoneWord } from '@/contract/views/news';
import { CommandForm, TextField } from '../kit/form';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { Block } from '../kit/page';
import { SidePanel } from '../kit/side-panel';
import { StateIcon } from '../kit/state-icon';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';

/** What subs say is done: taken it is a record like any, else they read what is missing. */
export function DoneWords({ words }: { words: readonly DoneWord[] }) {
  const { busy, give } = useSend();
  const [refusing, setRefusing] = useState<DoneWord>();
  if (words.length === 0) return null;
  return (
    <Block heading={<span id="done">Said to be done</span>}>
      <Lines>
        {words.map((word) => (
          <Line key={word.id} mark={<StateIcon kind="waiting" silent />}>
            <span className="fw-bold">{word.what}</span>{' '}
            <span className="soft small-text">
              {word.name}, {word.when}
            </span>
            {word.note && <div className="update-text plain">{word.note}</div>}
            {word.picture && (
              <a href={api.picture(word.picture, 1280)} className="d-block mt-1">
                <img
                  src={api.picture(word.picture, 240)}
                  alt={`${word.what}, by ${word.name}`}
                  loading="lazy"
                  width={160}
                  height={120}
                  className="object-fit-cover"
                />
              </a>
            )}
            <span className="d-flex gap-3 mt-1 no-print">
              <LinkButton
                disabled={busy}
                onClick={() =>
                  void give(
                    takeDone,
                    { id: word.id, version: word.version, walk: newId(), progress: newId(), shown: newId() },
                    { text: `${word.what} is down as done.` },
                  )
                }
              >
                Take it as done<Hidden>: {word.what}</Hidden>
              </LinkButton>
              <LinkButton onClick={() => setRefusing(word)}>
                Not yet<Hidden>: {word.what}</Hidden>
              </LinkButton>
            </span>
          </Line>
        ))}
      </Lines>
      <SidePanel
        title={refusing ? `${refusing.what}: not yet` : ''}
        open={refusing !== undefined}
        onClose={() => setRefusing(undefined)}
      >
        {refusing && (
          <CommandForm
            key={refusing.id}
            kind={refuseDone}
            submit="Say so"
            onDone={() => setRefusing(undefined)}
            start={() => ({ id: refusing.id, version: refusing.version, answer: '' })}
          >
            <TextField name="answer" label="What is missing, as they read it on their page" rows={3} />
          </CommandForm>
        )}
      </SidePanel>
    </Block>
  );
}
