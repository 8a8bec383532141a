'use client';
import { useEffect, useRef, useState, type PointerEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { Annotation, Spot } from '@/core/walks/observation';
import { Annotations } from './annotated-picture';

const TOOLS = { arrow: 'Arrow', ring: 'Ring', measure: 'Size', text: 'Words' } as const;
type Tool = keyof typeof TOOLS;

/**
 * Draws on a picture with a finger: arrows, rings, sizes and words, kept beside the picture and taken back one by one.
 */
export function AnnotationEditor({
  source,
  alt,
  start,
  onKeep,
  onClose,
}: {
  source: string;
  alt: string;
  start: readonly Annotation[];
  onKeep: (marks: Annotation[]) => void;
  onClose: () => void;
}) {
  const [marks, setMarks] = useState<Annotation[]>([...start]);
  const [tool, setTool] = useState<Tool>('arrow');
  const [words, setWords] = useState('');
  const [drawing, setDrawing] = useState<{ from: Spot; to: Spot }>();
  const area = useRef<HTMLDivElement>(null);
  const first = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    first.current?.focus();
    const onKey = (event: KeyboardEvent): void => {
      if (event.key === 'Escape') onClose();
      event.stopPropagation();
    };
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, [onClose]);
  const needsWords = tool === 'text' || tool === 'measure';
  const spot = (event: PointerEvent): Spot => {
    const box = area.current?.getBoundingClientRect();
    const part = (at: number, from: number, size: number): number => Math.min(1, Math.max(0, (at - from) / size));
    return box ? [part(event.clientX, box.left, box.width), part(event.clientY, box.top, box.height)] : [0.5, 0.5];
  };
  const made = ({ from, to }: { from: Spot; to: Spot }): Annotation | undefined => {
    const text = words.trim();
    if (needsWords && text === '') return undefined;
    return tool === 'text'
      ? { form: 'text', from: to, text }
      : tool === 'measure'
        ? { form: 'measure', from, to, text }
        : { form: tool, from, to };
  };
  const preview = drawing && made(drawing);
  return (
    <div className="mark-editor" role="dialog" aria-modal="true" aria-label="Draw on the picture">
      <div className="kind-of-line four" role="group" aria-label="What is drawn">
        {(Object.keys(TOOLS) as Tool[]).map((entry, index) => (
          <button
            key={entry}
            ref={index === 0 ? first : undefined}
            type="button"
            aria-pressed={tool === entry}
            onClick={() => setTool(entry)}
          >
            {TOOLS[entry]}
          </button>
        ))}
      </div>
      {needsWords && (
        <Form.Control
          value={words}
          maxLength={80}
          placeholder={tool === 'measure' ? `2' 6", then drag` : 'words, then tap where they stand'}
          aria-label="Words of the mark"
          onChange={(event) => setWords(event.target.value)}
        />
      )}
      <div
        ref={area}
        className="canvas drawn-on"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          const from = spot(event);
          setDrawing({ from, to: from });
        }}
        onPointerMove={(event) => {
          if (drawing) setDrawing({ from: drawing.from, to: spot(event) });
        }}
        onPointerUp={(event) => {
          const mark = drawing && made({ from: drawing.from, to: spot(event) });
          if (mark) setMarks((now) => [...now, mark]);
          setDrawing(undefined);
        }}
        onPointerCancel={() => setDrawing(undefined)}
      >
        <img src={source} alt={alt} draggable={false} />
        <Annotations marks={preview ? [...marks, preview] : marks} />
      </div>
      <div className="actions">
        <Button onClick={() => onKeep(marks)}>Save marks</Button>
        <button
          type="button"
          className="btn btn-link"
          disabled={marks.length === 0}
          onClick={() => setMarks((now) => now.slice(0, -1))}
        >
          Take the last one back
        </button>
        <button type="button" className="btn btn-link" onClick={onClose}>
          Cancel
        </button>
      </div>
    </div>
  );
}
