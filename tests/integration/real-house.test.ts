import { describe, expect, it } from 'vitest';
import { openInstallation } from '@/server/open-installation';
import { queryOne } from '@/server/database/query';
import { demoId } from '../../demo/seed';
import { areaOf, demoFolder, give, must, newId, root, testClock } from '../support/installations';
import { asRead, recipient } from '../support/sending';

/** A firm of its own, not the demo: nothing is played for it. */
function ownHouse() {
  return openInstallation({ folder: demoFolder(), root, clock: testClock() });
}

describe('a firm of its own', () => {
  it('books a visit on the day its office gave, and asks for that day where none is said', () => {
    const installation = ownHouse();
    must(installation, 'inspection.cancel', {
      id: demoId('signal', 'inspection', 'study', 'rough-inspection'),
      version: 1,
    });
    const visit = { id: newId(), area: areaOf('study'), phase: 'rough-inspection' } as const;
    const refused = give(installation, 'inspection.book', visit);
    expect(refused).toMatchObject({ status: 'refused', problem: { field: 'wishedOn' } });
    expect(refused.status === 'refused' && refused.problem.title).toMatch(/^Say which day .+ gave you\.$/);
    // A Sunday: offices do what they like.
    expect(must(installation, 'inspection.book', { ...visit, wishedOn: '2027-03-14' })).toMatchObject({
      day: '2027-03-14',
    });
    installation.db.close();
  });

  it('keeps a message until somebody says that they have sent it', () => {
    const installation = ownHouse();
    const told = recipient('Averill', 'a@a.example');
    const message = told.messageId;
    must(installation, 'update.send', asRead(installation, { recipients: [told] }));
    const state = () =>
      queryOne<{ state: string }>(installation.db, 'SELECT state FROM message WHERE id = @id', { id: message })?.state;
    expect(state()).toBe('queued');
    must(installation, 'message.pass-on', { id: message });
    expect(state()).toBe('delivered');
    expect(give(installation, 'message.pass-on', { id: message })).toMatchObject({ problem: { code: 'sent-already' } });
    installation.db.close();
  });
});
