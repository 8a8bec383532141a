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
      <fieldset className="mt-2">
        <legend className="fs-6 fw-medium">Light or dark</legend>
        {Object.entries(THEMES).map(([key, words]) => (
          <Form.Check
            key={key}
            inline
            type="radio"
            id={`theme-${key}`}
            name="theme"
            label={words}
            checked={theme === key}
            onChange={() => set({ theme: key as DeviceLook['theme'] })}
          />
        ))}
      </fieldset>
      <fieldset className="mt-2">
        <legend className="fs-6 fw-medium">Size of the text</legend>
        {Object.entries(TEXT_SIZES).map(([key, words]) => (
          <Form.Check
            key={key}
            inline
            type="radio"
            id={`text-${key}`}
            name="text"
            label={words}
            checked={text === key}
            onChange={() => set({ text: key as DeviceLook['text'] })}
          />
        ))}
      </fieldset>
    </Block>
  );
}
