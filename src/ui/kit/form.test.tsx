import { describe, expect, it } from 'vitest';
import { answerChange } from '@/contract/commands/changes';
import { pickAlternative } from '@/contract/commands/selections';
import { count, html, words } from '../../../tests/support/read';
import { ChoiceField, CommandForm, SubmitAs, TextField } from './form';

const change = (id: string, about?: string) => (
  <CommandForm
    kind={answerChange}
    {...(about === undefined ? {} : { about })}
    className="no-print"
    start={() => ({ id, name: 'Averill', words: '' })}
    submit={
      <>
        <SubmitAs name="verdict" value="approved">
          I approve
        </SubmitAs>
        <SubmitAs name="verdict" value="declined" variant="outline-secondary">
          I decline
        </SubmitAs>
      </>
    }
  >
    <TextField name="name" label="Your name" autoComplete="name" />
    <TextField name="words" label="A word" hint="If you like." list={['yes', 'no']} />
  </CommandForm>
);

describe('a form of one command', () => {
  const page = html(
    <>
      {change('one', 'one')}
      {change('two', 'two')}
      {change('three')}
    </>,
  );

  it('keeps its fields apart from those of others on the page', () => {
    const ids = [...page.matchAll(/ id="([^"]+)"/g)].map(([, id]) => id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids).toEqual(
      expect.arrayContaining(['field-one-name', 'field-two-name', 'field-name', 'field-two-words-said']),
    );
  });

  it('has each label name its field, each hint its field, and each list the words it offers', () => {
    for (const [pattern, most] of [
      [/ for="([^"]+)"/g, 6],
      [/ aria-describedby="([^"]+)"/g, 3],
      [/ list="([^"]+)"/g, 3],
    ] as const) {
      const named = [...page.matchAll(pattern)].map(([, id]) => id ?? '');
      expect(named).toHaveLength(most);
      for (const id of named) expect(page).toContain(` id="${id}"`);
    }
  });

  it('has as many buttons as there are ways to end it, the likeliest first', () => {
    expect(count(page, 'type="submit"')).toBe(6);
    expect(words(html(change('one')))).toMatch(/I approve .*I decline/);
  });

  it('shows a choice as one of several, with what is known of each', () => {
    const drawn = html(
      <CommandForm
        kind={pickAlternative}
        about="tap"
        submit="I choose this"
        start={() => ({ id: 'x', name: '', words: '' })}
      >
        <ChoiceField
          name="alternative"
          label="the tap"
          options={[
            { value: 'a', shown: <b>brushed</b> },
            { value: 'b', shown: 'black' },
          ]}
        />
      </CommandForm>,
    );
    expect(count(drawn, 'type="radio"')).toBe(2);
    expect(drawn).toContain('id="field-tap-alternative-b"');
    expect(words(drawn)).toMatch(/the tap brushed black .*I choose this/);
  });
});
