/**
 * Plain JavaScript: the start commands ask it too, before anything is installed.
 * @param {string} name
 * @returns {boolean} whether there is a time zone of that name
 */
export function isZone(name) {
  try {
    return Boolean(name) && new Intl.DateTimeFormat('en', { timeZone: name }).format(0) !== '';
  } catch {
    return false;
  }
}
