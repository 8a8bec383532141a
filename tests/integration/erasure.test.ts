import { existsSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { openSession } from '@/server/accounts/sessions';
import { signIn } from '@/server/accounts/sign-in';
import { execute, queryAll, queryOne } from '@/server/database/query';
import { erase, whereNamed } from '@/server/erasure/erase';
import { letGo } from '@/server/erasure/let-go';
import { keptFile } from '@/server/database/kept';
import { keepRecording } from '@/server/files/recordings';
import { databaseFile, type Installation } from '@/server/installation';
import { renewOnce } from '@/server/plan/renew';
import { readFirm, readJob } from '@/server/reading/reading';
import { newsView } from '@/server/views/news';
import { roomsView } from '@/server/views/rooms';
import { todayView } from '@/server/views/today';
import { demoId } from '../../demo/seed';
import { asRead, recipient } from '../support/sending';
import { demoHouse, give, must, newId, NOW, signalHouse, walkSeeing } from '../support/installations';

const TOBIN = demoId('person', 'tobin');
const person = (house: Installation): { name: string; email: string; phone: string } =>
  queryOne(house.db, 'SELECT name, email, phone FROM person WHERE id = @id', { id: TOBIN })!;
const inFile = (house: Installation, word: string): boolean =>
  [databaseFile(house.folder), `${databaseFile(house.folder)}-wal`].some(
    (file) => existsSync(file) && readFileSync(file).includes(word),
  );
const ofClient = (house: Installation): { client: string; client_email: string } =>
  queryOne(house.db, 'SELECT client, client_email FROM job WHERE id = @id', { id: signalHouse })!;

describe('somebody who is taken out of everything', () => {
  it('stands nowhere any more, in rows, log, letters or unused parts of the file; everything else goes on', async () => {
    const house = demoHouse();
    const { client, client_email: mail } = ofClient(house);
    walkSeeing(house, { kind: 'note', text: `${client} asked for the key; write to ${mail.toUpperCase()}` });
    must(house, 'update.send', asRead(house, { title: `For ${client}`, recipients: [recipient(client, mail)] }));
    renewOnce(house);
    const terms = { words: [client, mail], person: null };
    const found = whereNamed(house, terms);
    expect(found.map(({ where }) => where)).toEqual(
      expect.arrayContaining([
        'records of walks',
        'letters and news',
        'the lists of people',
        'the diary of what was done',
      ]),
    );
    const rooms = roomsView(readJob(house, signalHouse));
    const done = await erase(house, terms, 'person:somebody');
    expect(done).toMatchObject({ standIn: 'Somebody 1', places: found, still: 0 });
    expect([inFile(house, client), inFile(house, mail)]).toEqual([false, false]);
    expect(whereNamed(house, terms)).toEqual([]);
    expect(ofClient(house)).toEqual({ client: 'Somebody 1', client_email: '' });
    expect(
      queryAll(
        house.db,
        `SELECT 1 FROM observation WHERE text LIKE '%Somebody 1 asked for the key; write to an address'`,
      ),
    ).toHaveLength(1);
    expect(house.db.pragma('integrity_check', { simple: true })).toBe('ok');
    expect(house.db.pragma('foreign_key_check')).toEqual([]);
    expect(roomsView(readJob(house, signalHouse)).done).toBe(rooms.done);
    expect(JSON.stringify(newsView(readJob(house, signalHouse)))).toContain('Somebody 1');
    expect(todayView(readFirm(house)).sites.length).toBeGreaterThan(0);
    // It is known that it was done, and no more.
    expect(queryAll(house.db, 'SELECT stand_in, still FROM erasure')).toEqual([{ stand_in: 'Somebody 1', still: 0 }]);
    // What was done before it is taken back without bringing anybody back.
    house.db.close();
  });

  it('of the firm comes in nowhere, keeps what they recorded under another name, and has to have left first', async () => {
    const house = demoHouse();
    const { name, email } = person(house);
    const terms = { words: [name, email], person: TOBIN };
    await expect(erase(house, terms, 'x')).rejects.toThrow('still let in');
    openSession(house.db, TOBIN, { device: 'a telephone', source: '10.0.0.7' }, NOW);
    await expect(
      signIn(house, { email, password: 'wrong wrong' }, { device: 'a telephone', source: '10.0.0.7' }),
    ).rejects.toThrow();
    const walks = queryOne(house.db, 'SELECT count(*) AS count FROM walk WHERE person = @id', { id: TOBIN });
    must(house, 'person.close', { id: TOBIN });
    expect((await erase(house, terms, 'x')).still).toBe(0);
    expect(
      queryOne(house.db, 'SELECT name, email, password_hash, state FROM person WHERE id = @id', { id: TOBIN }),
    ).toEqual({ name: 'Somebody 1', email: null, password_hash: null, state: 'closed' });
    expect(queryOne(house.db, 'SELECT count(*) AS count FROM walk WHERE person = @id', { id: TOBIN })).toEqual(walks);
    for (const table of ['session', 'invitation', 'second_factor'])
      expect(queryAll(house.db, `SELECT 1 FROM ${table} WHERE person = @id`, { id: TOBIN })).toEqual([]);
    expect([inFile(house, email), inFile(house, '10.0.0.7')]).toEqual([false, false]);
    // The next one is another somebody.
    expect((await erase(house, { words: [ofClient(house).client], person: null }, 'x')).standIn).toBe('Somebody 2');
    house.db.close();
  });

  it('is not brought back by an undo of what was done before', async () => {
    const house = demoHouse();
    const { client } = ofClient(house);
    const add = newId();
    must(house, 'neighbour.set', { id: add, job: signalHouse, name: client, email: '', phone: '', note: '' });
    const change = queryOne<{ id: string }>(house.db, 'SELECT id FROM command_log ORDER BY seq DESC LIMIT 1')!.id;
    await erase(house, { words: [client], person: null }, 'x');
    give(house, 'undo', { command: change });
    expect(inFile(house, client)).toBe(false);
    house.db.close();
  });

  it.each([[['paint']], [['Al']], [[]], [['12']]])('is not looked for by %j, which names nobody', (words) => {
    const house = demoHouse();
    expect(() => whereNamed(house, { words, person: null })).toThrow('names nobody');
    house.db.close();
  });
});

describe('what is let go by itself', () => {
  it('is nothing until somebody says so, and then what is older than the months', async () => {
    const house = demoHouse();
    const wav = Buffer.concat([Buffer.from('RIFF\0\0\0\0WAVEfmt '), Buffer.alloc(2_000, 3)]);
    const { hash } = await keepRecording(house, [wav]);
    const [narration] = queryAll<{ id: string }>(house.db, 'SELECT id FROM narration LIMIT 1');
    execute(house.db, `UPDATE narration SET recording = @hash, kept_at = '2026-06-01T08:00:00.000Z' WHERE id = @id`, {
      ...{ hash, id: narration!.id },
    });
    execute(house.db, `UPDATE job SET state = 'closed' WHERE id = @id`, { id: signalHouse });
    must(house, 'neighbour.set', {
      id: newId(),
      job: signalHouse,
      name: 'Oona Pell',
      email: '',
      phone: '0555 0177',
      note: '',
    });
    const later = new Date('2027-12-09T08:00:00Z');
    expect(await letGo(house, later)).toEqual({ recordings: 0, origins: 0, neighbours: 0 });
    must(house, 'firm.set-retention', { recordings: 6, origins: 6, neighbours: 6 });
    expect(await letGo(house, new Date('2026-11-01T08:00:00Z'))).toMatchObject({ recordings: 0, neighbours: 0 });
    expect(await letGo(house, later)).toMatchObject({ recordings: 1, neighbours: 1 });
    expect(existsSync(keptFile(house, 'recording', hash))).toBe(false);
    expect(queryOne(house.db, 'SELECT recording FROM narration WHERE id = @id', { id: narration!.id })).toEqual({
      recording: null,
    });
    expect(queryOne(house.db, `SELECT name, phone FROM neighbour WHERE job = @job`, { job: signalHouse })).toEqual({
      name: 'a neighbour',
      phone: '',
    });
    expect(await letGo(house, later)).toEqual({ recordings: 0, origins: 0, neighbours: 0 });
    house.db.close();
  });
});
