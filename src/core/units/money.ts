/** Money is integer minor units; the firm's currency is said by its sign, `¤` where none was chosen. */
export function formatMoney(minor: number, sign = ''): string {
  const whole = Math.trunc(Math.abs(minor) / 100);
  const part = Math.abs(minor) % 100;
  const text = `${whole.toString().replace(/\B(?=(\d{3})+$)/g, ' ')}.${String(part).padStart(2, '0')}`;
  return `${minor < 0 ? '−' : ''}${sign}${text}`;
}
