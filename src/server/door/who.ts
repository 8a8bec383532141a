import type { Audience } from '@/contract/commands/news';
import type { May, Role } from '@/contract/command';

/** Who stands at the door. */
export type Who =
  | { kind: 'person'; id: string; name: string; role: Role }
  | { kind: 'link'; id: string; audience: Audience; job: string | null; sub: string | null }
  /** A desk that speaks for the world outside: what it says comes in by the same door. */
  | { kind: 'desk'; id: 'suppliers' | 'weather' }
  | { kind: 'founder' };

export const standsAs = (who: Who): May => (who.kind === 'person' ? who.role : who.kind);
export const signature = (who: Who): string => (who.kind === 'founder' ? 'founder' : `${who.kind}:${who.id}`);
