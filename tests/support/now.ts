/** The demo's fixed today, a Tuesday, and the instant at which its clock starts: no test reads the machine's. */
export const TODAY = '2027-03-09';
export const NOW = `${TODAY}T16:30:00.000Z`;
/** The zone of every firm that names none: the machine's would make tests differ from place to place. */
export const ZONE = 'UTC';
