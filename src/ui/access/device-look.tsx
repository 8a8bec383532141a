'use client';
import { useSyncExternalStore } from 'react';
import { Form } from 'react-bootstrap';
import { cookieOf, TEXT_SIZES, THEMES, type DeviceLook } from '@/contract/device-look';
import { Block } from '../kit/page';

const root = (): DOMStringMap => document.documentElement.dataset;
const USUAL: DeviceLook = { theme: 'device', text: 'usual' };
const heard = new Set<() => void>();
const subscribe = (listener: () => void): (() => void) => {
  heard.add(listener);
  return () => heard.delete(listener);
};

/** Light or dark, and how large the text is: of this device alone. */
export function LookOfDevice() {
  const theme = useSyncExternalStore(
    subscribe,
    () => root()['theme'] ?? USUAL.theme,
    () => USUAL.theme,
  );
  const text = useSyncExternalStore(
    subscribe,
    () => root()['text'] ?? USUAL.text,
    () => USUAL.text,
  );
  const set = (look: Partial<DeviceLook>): void => {
    Object.assign(root(), look);
    document.cookie = cookieOf({ theme, text, ...look } as DeviceLook);
    heard.forEach((listener) => listener());
  };
  return (
    <Block heading="How it looks on this device">
      <Choose
        name="theme"
        legend="Light or dark"
        ways={THEMES}
        chosen={theme}
        onChoose={(key) => set({ theme: key as DeviceLook['theme'] })}
      />
      <Choose
        name="text"
        legend="Size of the text"
        ways={TEXT_SIZES}
        chosen={text}
        onChoose={(key) => set({ text: key as DeviceLook['text'] })}
      />
    </Block>
  );
}

interface Choice {
  name: string;
  legend: string;
  ways: Readonly<Record<string, string>>;
  chosen: string;
  onChoose: (key: string) => void;
}

const Choose = ({ name, legend, ways, chosen, onChoose }: Choice) => (
  <fieldset className="mt-2">
    <legend className="fs-6 fw-medium">{legend}</legend>
    {Object.entries(ways).map(([key, words]) => (
      <Form.Check
        key={key}
        inline
        type="radio"
        id={`${name}-${key}`}
        name={name}
        label={words}
        checked={chosen === key}
        onChange={() => onChoose(key)}
      />
    ))}
  </fieldset>
);
