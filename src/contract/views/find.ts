import { type Path } from '@/contract/routes';
/** One thing that can be gone to by a piece of its name. */
export interface Found {
  label: string;
  kind: string;
  path: Path;
}
