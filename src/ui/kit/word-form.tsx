'use client';
import { useState } from 'react';
import { Form } from 'react-bootstrap';

interface Terms {
  /** What is asked, for whoever hears it. */
  label: string;
  placeholder: string;
  /** The words of the button. */
  submit: string;
  most: number;
  /** What is said beside it where nothing was written; without it no words are an answer too. */
  missing?: string;
  className?: string;
  focus?: boolean;
  onKeep: (words: string) => void;
}

/** One question answered in place with a few words. */
export function WordForm({ label, placeholder, submit, most, missing, className = 'mt-2', focus, onKeep }: Terms) {
  const [words, setWords] = useState('');
  const [tried, setTried] = useState(false);
  const said = words.trim();
  const wrong = tried && missing !== undefined && said === '';
  return (
    <Form
      noValidate
      className={className}
      onSubmit={(event) => {
        event.preventDefault();
        setTried(true);
        if (missing !== undefined && said === '') return;
        onKeep(said);
        setWords('');
        setTried(false);
      }}
    >
      <div className="d-flex gap-2">
        <Form.Control
          autoFocus={focus === true}
          value={words}
          maxLength={most}
          placeholder={placeholder}
          aria-label={label}
          isInvalid={wrong}
          onChange={(event) => setWords(event.target.value)}
        />
        <button type="submit" className="btn btn-outline-secondary text-nowrap">
          {submit}
        </button>
      </div>
      {wrong && (
        <Form.Text className="bad d-block" role="alert">
          {missing}
        </Form.Text>
      )}
    </Form>
  );
}
