import { object, string } from 'yup';

/** What opens a session; not a command, since it changes nothing of the house. */
export const signInSchema = object({
  email: string().required('your address is missing').max(200),
  password: string().required('the password is missing').max(200),
  /** What the telephone shows, or a code for the day on which it is gone. */
  code: string().max(40),
});

/** As long as what others ask for at the least, and no longer than what a hash is worked out of in time. */
const newPassword = () =>
  string()
    .required('a password is missing')
    .min(10, 'a password has at least 10 characters')
    .max(200, 'a password has at most 200 characters');

/** The first password, or a new one for who has lost it, by an invitation. */
export const joinSchema = object({ password: newPassword() });

/** One's own password, anew. */
export const passwordSchema = object({
  old: string().required('the password of now is missing').max(200),
  password: newPassword(),
});

/** The first code of a telephone. */
export const codeSchema = object({ code: string().required('the code is missing').max(40) });
/** Codes are given up with the password. */
export const endCodesSchema = object({ password: string().required('the password is missing').max(200) });
