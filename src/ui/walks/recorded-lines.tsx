'use client';
import { api } from '@/contract/routes';
import { useCallback, useState } from 'react';
import type { Recorded } from '@/contract/views/walk';
import { triggersOf } from '@/core/safety/triggers';
import { KIND_WORDS } from '@/core/walks/record-words';
import { StateIcon } from '../kit/state-icon';
import { AnnotatedPicture } from '../pictures/annotated-picture';
import { AnnotationEditor } from '../pictures/annotation-editor';
import type { Terms } from './area-body';
import { Hidden } from '../kit/hidden';
import { FoldedBlock } from '../kit/page';
import { counted } from '@/core/words/count';

export const pictureSource = (picture: string, width: 240 | 1280): string =>
  picture.startsWith('blob:') ? picture : api.picture(picture, width);

/** What was recorded here on this walk, each with a way back; pictures can be drawn on; what is dangerous says so. */
export function RecordedLines({ area, walking, folded }: Terms & { folded: boolean }) {
  // What was written down stands among it; here it stays only for what can hurt somebody in it.
  const lines = area.recorded.filter((line) => !line.filed || triggersOf(line).length > 0);
  const [marking, setMarking] = useState<Recorded>();
  const close = useCallback(() => setMarking(undefined), []);
  if (lines.length === 0) return null;
  const drawn = (
    <>
      {lines.map((line) => (
        <div key={line.id} className="check-line">
          <div className="d-flex gap-2 align-items-center">
            <span className="flex-fill">
              {line.kind === 'caution' && <StateIcon kind="hazard" />}{' '}
              {line.kind !== 'remaining' && <span className="soft small-text">{KIND_WORDS[line.kind]} </span>}
              {line.text}
              {line.by && <span className="soft small-text"> · {line.by}</span>}
              {line.filed && <span className="soft small-text"> · written down</span>}
            </span>
            {line.picture && (
              <button
                type="button"
                className="btn p-0 border-0"
                aria-label={`Draw on the picture: ${line.text}`}
                onClick={() => setMarking(line)}
              >
                <AnnotatedPicture
                  source={pictureSource(line.picture, 240)}
                  alt={`Picture of ${area.name}`}
                  marks={line.marks ?? []}
                  width={72}
                  height={54}
                />
              </button>
            )}
            <button
              type="button"
              className="btn btn-link for-thumbs"
              onClick={() => (line.filed ? walking.unput : walking.withdraw)(area.id, line.id)}
            >
              Take back<Hidden> {line.text}</Hidden>
            </button>
          </div>
          {line.kind !== 'caution' &&
            triggersOf({ kind: line.kind, text: line.text }).map((trigger) => (
              <div key={trigger.id} className="small-text mt-1">
                <StateIcon kind="hazard" /> {trigger.text}{' '}
                {!area.recorded.some((other) => other.kind === 'caution' && other.text === trigger.text) && (
                  <button
                    type="button"
                    className="btn btn-link btn-sm p-0"
                    onClick={() =>
                      walking.record({ kind: 'caution', area: area.id, text: trigger.text }, 'Caution kept')
                    }
                  >
                    Keep as a caution
                  </button>
                )}
              </div>
            ))}
        </div>
      ))}
      {marking?.picture && (
        <AnnotationEditor
          source={pictureSource(marking.picture, 1280)}
          alt={`Picture of ${area.name}`}
          start={marking.marks ?? []}
          onClose={close}
          onKeep={(marks) => {
            walking.record({ kind: 'marks', area: area.id, about: marking.id, marks }, 'Marks kept');
            close();
          }}
        />
      )}
    </>
  );
  // A caution is never folded away.
  return folded && lines.every(({ kind }) => kind !== 'caution') ? (
    <FoldedBlock heading="Recorded on this walk" says={counted(lines.length, 'record')}>
      {drawn}
    </FoldedBlock>
  ) : (
    <section>
      <h2>Recorded on this walk</h2>
      {drawn}
    </section>
  );
}
