/** How the program looks on one device: what its browser is told by a cookie, so that a page comes as it shall look. */
export const THEMES = { device: 'as the device', light: 'light', dark: 'dark' } as const;
export const TEXT_SIZES = { usual: 'usual', larger: 'larger', largest: 'largest' } as const;
export interface DeviceLook {
  theme: keyof typeof THEMES;
  text: keyof typeof TEXT_SIZES;
}

export const LOOK_COOKIE = 'aftermist-look';
const YEAR_S = 31_536_000;

/** What a device remembers of how it shows things, sent along so that a page comes as it shall be. */
export const deviceCookie = (name: string, ...parts: readonly (string | number)[]): string =>
  `${name}=${parts.join('.')}; path=/; max-age=${YEAR_S}; samesite=lax`;

export const cookieOf = ({ theme, text }: DeviceLook): string => deviceCookie(LOOK_COOKIE, theme, text);

/** What a cookie says; whatever it does not say is as the device has it. */
export function lookIn(cookie: string | undefined): DeviceLook {
  const [theme = '', text = ''] = (cookie ?? '').split('.');
  return {
    theme: theme in THEMES ? (theme as DeviceLook['theme']) : 'device',
    text: text in TEXT_SIZES ? (text as DeviceLook['text']) : 'usual',
  };
}
