import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { queryOne } from '@/server/database/query';
import { keptFile } from '@/server/database/kept';
import { keepPdf, pdfName, pdfResponse } from '@/server/files/pdfs';
import { sweepFiles } from '@/server/files/sweep';
import type { Installation } from '@/server/installation';
import { sharedPdf } from '@/server/public/attachments';
import { openLink, type OpenLink } from '@/server/public/links';
import { sharedView } from '@/server/public/shared';
import { readFirm, readJob } from '@/server/reading/reading';
import { tokenOf } from '@/server/tokens';
import { saidAnywhere } from '@/server/views/find';
import { requestViews } from '@/server/views/requests';
import { roomView } from '@/server/views/room';
import { roomsView } from '@/server/views/rooms';
import { demoId } from '../../demo/seed';
import { areaOf, demoHouse, give, must, newId, signalHouse } from '../support/installations';

const pdf = (words: string): Uint8Array[] => [Buffer.from('%PDF-'), Buffer.from(`1.7 a paper that says ${words}`)];
const kitchen = areaOf('kitchen');
const papersOf = (house: Installation, area = kitchen) => roomView(readJob(house, signalHouse), area).attachments;

async function added(house: Installation, of: object, words: string): Promise<string> {
  const { hash } = await keepPdf(house, pdf(words));
  must(house, 'attachment.add', { id: newId(), job: signalHouse, kind: 'drawing', name: words, pdf: hash, ...of });
  return hash;
}

function linkFor(house: Installation, to: object): OpenLink {
  const id = newId();
  must(house, 'share.make', { id, recipient: 'Quill', expiresOn: '2027-04-30', ...to } as never);
  return openLink(house, tokenOf(house, id))!;
}

describe('a drawing or permit', () => {
  it('is kept whole and given out as it came, under its name; what is no PDF is not kept', async () => {
    const house = demoHouse();
    const hash = await added(house, { area: kitchen }, 'Worktop “round” sink');
    const answer = pdfResponse(house, hash, new Request('http://house/'), pdfName(house, hash));
    expect(Buffer.from(await answer.arrayBuffer())).toEqual(Buffer.concat(pdf('Worktop “round” sink')));
    expect(answer.headers.get('content-type')).toBe('application/pdf');
    expect(decodeURIComponent(answer.headers.get('content-disposition') ?? '')).toContain('Worktop “round” sink.pdf');
    const part = pdfResponse(house, hash, new Request('http://house/', { headers: { range: 'bytes=0-4' } }), 'x');
    expect([part.status, await part.text()]).toEqual([206, '%PDF-']);
    for (const other of ['<html>but named plan.pdf</html>', '', '%PDF'])
      await expect(keepPdf(house, [Buffer.from(other)])).rejects.toThrow('This is no PDF');
    expect((readdirSync(join(house.folder, 'pdfs'), { recursive: true }) as string[]).join()).not.toContain('.part');
    // The same paper of a job that somebody does not see is called there as it likes.
    must(house, 'attachment.add', { id: newId(), job: demoId('dairy'), kind: 'other', name: 'An offer', pdf: hash });
    const lead = { ...house, sees: { jobs: new Set([signalHouse]), prices: false } };
    expect(pdfName(lead, hash)).toBe('Worktop “round” sink');
    // An offer of their own job costs something too: it is not for them.
    const offer = await added(house, { area: kitchen, kind: 'other' }, 'an offer');
    expect(() => pdfName(lead, offer)).toThrow('no such paper');
    expect(papersOf(lead).map(({ pdf: shown }) => shown)).not.toContain(offer);
    expect(papersOf(house).map(({ pdf: shown }) => shown)).toContain(offer);
    expect(() => pdfResponse(house, 'f'.repeat(64), new Request('http://house/'), 'x')).toThrow('no such paper');
  });

  it('stands in its room and among all of the job; a newer one of its name comes before the older', async () => {
    const house = demoHouse();
    const [older, newer] = papersOf(house).map(({ earlier, pdf: hash }) => [earlier[0]?.pdf, hash])[0] ?? [];
    expect([older, newer]).toEqual([expect.any(String), expect.any(String)]);
    const third = await added(house, { area: kitchen }, 'kitchen CABINETS ');
    expect(papersOf(house)).toMatchObject([{ pdf: third, earlier: [{ pdf: newer }, { pdf: older }] }]);
    const all = roomsView(readJob(house, signalHouse)).attachments;
    expect(all.map(({ name, area, request }) => [name, area !== null, request !== null])).toEqual(
      expect.arrayContaining([
        ['Building permit', false, false],
        ['Lantern, elevations', false, true],
      ]),
    );
    expect(saidAnywhere(readFirm(house), 'cabinets')).toContainEqual(
      expect.objectContaining({ kind: 'drawing or permit', path: expect.stringContaining(kitchen) }),
    );
  });

  it('goes and comes back; its file stays as long as something names it', async () => {
    const house = demoHouse();
    const [paper] = papersOf(house);
    const command = give(house, 'line.remove', { of: 'attachment', id: paper!.id });
    expect(papersOf(house).map(({ id }) => id)).not.toContain(paper!.id);
    must(house, 'undo', { command: command.id });
    expect(papersOf(house).map(({ id }) => id)).toContain(paper!.id);
    const { hash: unnamed } = await keepPdf(house, pdf('nobody names'));
    await sweepFiles(house, new Date(Date.now() + 100 * 86_400_000));
    expect([existsSync(keptFile(house, 'pdf', paper!.pdf)), existsSync(keptFile(house, 'pdf', unnamed))]).toEqual([
      true,
      false,
    ]);
    expect(queryOne(house.db, 'SELECT 1 FROM pdf WHERE hash = @unnamed', { unnamed })).toBeUndefined();
  });

  it('is of this job, and hangs on a room or on a question', async () => {
    const house = demoHouse();
    const { hash } = await keepPdf(house, pdf('x'));
    const paper = { job: signalHouse, kind: 'permit', name: 'x', pdf: hash } as const;
    const refused = (more: object): string => {
      const answer = give(house, 'attachment.add', { id: newId(), ...paper, ...more });
      return answer.status === 'refused' ? answer.problem.title : answer.status;
    };
    expect(refused({ area: demoId('dairy', 'area', 'front') })).toMatch(/area/);
    expect(refused({ request: newId() })).toMatch(/request/);
    expect(refused({ pdf: 'e'.repeat(64) })).toMatch(/PDF/);
    expect(refused({ pdf: 'plan.pdf' })).toMatch(/PDF/);
    expect(refused({ area: kitchen, request: demoId('signal', 'request', 'association') })).toMatch(/not of both/);
  });
});

describe('whoever is outside', () => {
  it('opens, as a crew or a sub, what is for those who work there, and nothing that stays in the office', async () => {
    const house = demoHouse();
    const drawing = papersOf(house)[0]!;
    const offer = await added(house, { area: kitchen, kind: 'other' }, 'an offer');
    const asked = requestViews(readJob(house, signalHouse)).flatMap(({ attachments }) => attachments)[0]!;
    const permit = roomsView(readJob(house, signalHouse)).attachments.find(({ kind }) => kind === 'permit')!;
    const crew = linkFor(house, { audience: 'crew', job: signalHouse });
    for (const [hash, opens] of [
      [drawing.pdf, true],
      [permit.pdf, true],
      // What it replaced is not to be built from.
      [drawing.earlier[0]!.pdf, false],
      [offer, false],
      [asked.pdf, false],
    ] as const)
      expect(sharedPdf(house, crew, hash) !== undefined).toBe(opens);
    const wiring = linkFor(house, { audience: 'sub', sub: demoId('sub', 'wiring') });
    const read = sharedView(house, wiring);
    const shown = read.audience === 'sub' ? read.rooms.flatMap(({ papers }) => papers.map((paper) => paper.pdf)) : [];
    for (const hash of [drawing.pdf, offer])
      expect(sharedPdf(house, wiring, hash) !== undefined).toBe(shown.includes(hash));
    const client = linkFor(house, { audience: 'client', job: signalHouse });
    expect(sharedPdf(house, client, drawing.pdf)).toBeUndefined();
  });

  it('opens, as whoever is asked, what goes with their question and nothing else', () => {
    const house = demoHouse();
    const request = demoId('signal', 'request', 'association');
    const asked = requestViews(readJob(house, signalHouse)).find(({ id }) => id === request)!;
    const link = newId();
    must(house, 'request.ask-party', {
      ...{ id: request, version: asked.version, updateId: newId(), messageId: newId(), linkId: link },
      ...{ name: 'Quill', address: 'quill@office.example', expiresOn: '2027-04-30' },
    });
    const party = openLink(house, tokenOf(house, link))!;
    expect(sharedView(house, party)).toMatchObject({ papers: [{ name: 'Lantern, elevations' }] });
    expect(sharedPdf(house, party, asked.attachments[0]!.pdf)?.name).toBe('Lantern, elevations');
    expect(sharedPdf(house, party, papersOf(house)[0]!.pdf)).toBeUndefined();
  });
});
