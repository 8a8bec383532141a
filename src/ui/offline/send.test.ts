import { afterEach, describe, expect, it, vi } from 'vitest';
import { startWalk } from '@/contract/commands/walks';
import { setClock } from './clock';
import { makeCommand, newId, post, send } from './send';

const answer = (status: number, body: unknown): void =>
  void vi.stubGlobal(
    'fetch',
    vi.fn(() => Promise.resolve(new Response(typeof body === 'string' ? body : JSON.stringify(body), { status }))),
  );
const command = makeCommand('walk.finish', { id: newId() });
/** What was handed to the network. */
const given = (): RequestInit => vi.mocked(fetch).mock.calls[0]?.[1] ?? {};

afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
  setClock({ zone: 'Europe/London', shiftMs: 0 });
});

describe('a command on its way', () => {
  it('was applied, now or before', async () => {
    answer(200, { id: command.id, status: 'applied', seq: 7, result: { id: 'x' } });
    expect(await post(command)).toEqual({ ok: true, result: { id: 'x' }, command: command.id });
    answer(200, { id: command.id, status: 'repeated', seq: 7, result: null });
    expect(await post(command)).toEqual({ ok: true, result: null, command: command.id });
  });

  it('was refused, with what the door said', async () => {
    const problem = {
      type: '/problems/bad-input',
      title: 'the text is missing',
      status: 400,
      code: 'bad-input',
      field: 'text',
    };
    answer(400, problem);
    expect(await post(command)).toEqual({ ok: false, problem });
  });

  it.each([
    [
      'no connection',
      () =>
        vi.stubGlobal(
          'fetch',
          vi.fn(() => Promise.reject(new TypeError('failed'))),
        ),
      { status: 0, code: 'no-connection' },
    ],
    ['a server that fails', () => answer(500, 'Internal Server Error'), { status: 500, code: 'failed' }],
    ['a page in place of an answer', () => answer(200, '<html>'), { status: 0, code: 'no-connection' }],
  ])('does not throw for %s: it is a problem, and nothing typed is lost', async (_, happen, problem) => {
    happen();
    const sent = await post(command);
    expect(sent).toMatchObject({ ok: false, problem });
    if (!sent.ok) expect(sent.problem.title).toContain('still here; try again');
  });

  it('carries the secret of a link only where there is one', async () => {
    answer(200, { id: '', status: 'applied', seq: 1, result: null });
    await send(startWalk, { id: newId(), job: newId(), kind: 'progress' });
    expect(given().headers).not.toHaveProperty('x-aftermist-link');
    answer(200, { id: '', status: 'applied', seq: 1, result: null });
    await post(command, { link: 'secret' });
    expect(given().headers).toMatchObject({ 'x-aftermist-link': 'secret' });
  });

  it('has an id of its own, in the order made, and the time of the day the house lives on', () => {
    const ids = Array.from({ length: 50 }, newId);
    expect(new Set(ids).size).toBe(50);
    expect([...ids].sort()).toEqual(ids);
    vi.useFakeTimers({ now: new Date('2026-11-24T10:00:00Z') });
    expect(makeCommand('walk.finish', { id: newId() }).at).toBe('2026-11-24T10:00:00.000Z');
    setClock({ zone: 'Europe/London', shiftMs: 105 * 86_400_000 });
    expect(makeCommand('walk.finish', { id: newId() }).at).toBe('2027-03-09T10:00:00.000Z');
  });
});
