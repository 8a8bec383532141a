'use client';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import type { NarrationView } from '@/contract/views/walk';
import { readCaptions } from '@/core/narration/captions';
import { Dictating } from './dictating';
import { Drafts } from './drafts';
import { RoomsNamed } from './rooms-named';
import type { Walking } from './use-walk';

/**
 * Telling a walk: dictate it, or drop what was said as captions or text; what is proposed from it is accepted, put
 * right or dropped.
 */
export function Tell({
  here,
  walking,
  onDone,
  onLine,
}: {
  /** Where one stands; nowhere while a job has no areas. */
  here?: string;
  walking: Walking;
  onDone: () => void;
  onLine: (words: string) => void;
}) {
  const [problem, setProblem] = useState<string>();
  const drop = async (files: FileList | null): Promise<void> => {
    const list = [...(files ?? [])];
    const words = list.find((file) => /\.(?:vtt|srt|txt)$/i.test(file.name) || file.type.startsWith('text/'));
    const recording = list.find((file) => file !== words && /^(?:audio|video)\//.test(file.type));
    if (!words)
      return setProblem(
        'Drop the words: captions as .vtt or .srt, or plain text as .txt; a recording goes with them, not alone.',
      );
    const text = await words.text();
    const captions = readCaptions(text);
    if (!captions.ok) return setProblem(captions.problem.message);
    if (walking.pack.narrations.some((narration) => narration.text === text))
      return setProblem(`“${words.name}” is with this walk already.`);
    setProblem(
      captions.value.unread > 0
        ? `${captions.value.unread} lines had no time that could be read; their words were kept with the line before.`
        : undefined,
    );
    walking.keepNarration(words.name.slice(0, 120), text, recording);
  };
  return (
    <div className="form-panel">
      <Dictating {...(here ? { here } : {})} walking={walking} />
      <div
        className="tell-drop mt-2"
        onDragOver={(event) => event.preventDefault()}
        onDrop={(event) => {
          event.preventDefault();
          void drop(event.dataTransfer.files);
        }}
      >
        <Form.Label htmlFor="narration-files" className="mb-1">
          Captions or text of what was said, with the recording if you have it
        </Form.Label>
        <Form.Control
          id="narration-files"
          type="file"
          multiple
          accept=".vtt,.srt,.txt,text/plain,text/vtt,audio/*,video/*"
          isInvalid={problem !== undefined}
          aria-describedby="narration-said"
          onChange={(event) => {
            void drop((event.target as HTMLInputElement).files);
            (event.target as HTMLInputElement).value = '';
          }}
        />
        {problem && (
          <Form.Text id="narration-said" className="bad d-block" role="alert">
            {problem}
          </Form.Text>
        )}
      </div>
      <div className="actions mt-2">
        <button type="button" className="btn btn-link" onClick={onDone}>
          Close
        </button>
      </div>
      {walking.pack.walk.kind === 'scope' && <RoomsNamed walking={walking} />}
      {[...walking.pack.narrations].reverse().map((narration: NarrationView) => (
        <Drafts key={narration.id} narration={narration} walking={walking} onLine={onLine} />
      ))}
    </div>
  );
}
