import type { Audience } from '@/contract/commands/news';
import type { Permission, Role } from '@/contract/command';

/** Who stands at the door. */
export type Actor =
  | { kind: 'person'; id: string; name: string; role: Role }
  | {
      kind: 'link';
      id: string;
      audience: Audience;
      job: string | null;
      sub: string | null;
      /** The one question that the link is of. */
      request?: string | null;
      /** From where they answer, and who of the firm is signed in on that browser. */
      from?: { source: string; device: string; person: string | null };
    }
  /** A desk that speaks for the world outside: what it says comes in by the same door. */
  | { kind: 'desk'; id: 'suppliers' | 'weather' | 'news' }
  | { kind: 'founder' };

export const permissionOf = (who: Actor): Permission => (who.kind === 'person' ? who.role : who.kind);
export const actorKey = (who: Actor): string => (who.kind === 'founder' ? 'founder' : `${who.kind}:${who.id}`);
