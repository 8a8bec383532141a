'use client';
import { useState, type ReactNode } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { CsvProblem } from '@/core/csv';
import { Notice } from './notice';
import { Block } from './page';

interface Terms {
  title: string;
  /** What the lines are, for the file field: `areas`. */
  what: string;
  example: string;
  problems: CsvProblem[];
  onText: (text: string) => void;
  children?: ReactNode;
}

/** A list pasted or chosen as a file; what cannot be read is told by line and column, the rest can be taken. */
export function CsvEntry({ title, what, example, problems, onText, children }: Terms) {
  const [text, setText] = useState('');
  return (
    <Block heading={title}>
      <Form.Group controlId={`csv-${what}`} className="mt-2">
        <Form.Label>Paste it here, or choose a file</Form.Label>
        <Form.Control
          as="textarea"
          rows={6}
          className="mono"
          value={text}
          placeholder={example}
          onChange={(event) => setText(event.target.value)}
        />
      </Form.Group>
      <Form.Control
        className="mt-2"
        type="file"
        accept=".csv,text/csv,text/plain"
        aria-label={`CSV file of ${what}`}
        onChange={(event) =>
          void (event.target as HTMLInputElement).files?.[0]?.text().then((content) => {
            setText(content);
            onText(content);
          })
        }
      />
      <CsvProblems problems={problems} />
      <div className="actions mt-2">
        <Button variant="outline-secondary" disabled={text.trim() === ''} onClick={() => onText(text)}>
          Read the list
        </Button>
        {children}
      </div>
    </Block>
  );
}

export function CsvProblems({ problems }: { problems: CsvProblem[] }) {
  if (problems.length === 0) return null;
  return (
    <div className="mt-2">
      <Notice bad>
        {problems.map((problem) => (
          <div key={`${problem.line}${problem.column ?? ''}${problem.message}`}>
            Line {problem.line}
            {problem.column ? `, ${problem.column}` : ''}: {problem.message}
          </div>
        ))}
      </Notice>
    </div>
  );
}
