import { AppRouterContext, type AppRouterInstance } from 'next/dist/shared/lib/app-router-context.shared-runtime';
import { PathnameContext } from 'next/dist/shared/lib/hooks-client-context.shared-runtime';
import type { ReactElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';

const nowhere = {
  push: () => undefined,
  refresh: () => undefined,
  replace: () => undefined,
  back: () => undefined,
  forward: () => undefined,
  prefetch: () => undefined,
} as unknown as AppRouterInstance;

/** A screen as the server first sends it. */
export const html = (element: ReactElement, path = '/'): string =>
  renderToStaticMarkup(
    <AppRouterContext value={nowhere}>
      <PathnameContext value={path}>{element}</PathnameContext>
    </AppRouterContext>,
  );
export const count = (text: string, part: string): number => text.split(part).length - 1;
/** What is read of it, in the order in which it stands. */
export const words = (text: string): string =>
  text
    .replace(/<[^>]+>/g, ' ')
    .replaceAll('&#x27;', '’')
    .replaceAll('&amp;', '&')
    .replaceAll('&quot;', '"')
    .replaceAll('\u00ad', '')
    .replace(/\s+/g, ' ');
export const read = (element: ReactElement, path?: string): string => words(html(element, path));
