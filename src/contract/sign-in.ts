import { object, string } from 'yup';

/** What opens a session; not a command, since it changes nothing of the house. */
export const signInSchema = object({
  email: string().required('your address is missing').max(200),
  password: string().required('the password is missing').max(200),
});
