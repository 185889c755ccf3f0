import { afterEach, beforeEach, expect, it } from 'vitest';
import { mailServer } from '../../../scripts/lib/mail-server.mjs';
import { freePort } from '../../../scripts/lib/ports.mjs';
import { failureOf, postFrom } from './post';

const taken: { recipient: string; text: string }[] = [];
const refused: Record<string, number> = { 'never@pier.example': 550, 'later@pier.example': 450 };
let server: Awaited<ReturnType<typeof mailServer>>;

beforeEach(async () => {
  taken.length = 0;
  server = await mailServer({
    port: 0,
    answers: (recipient) => refused[recipient] ?? null,
    took: (letter) => void taken.push(letter),
  });
});
afterEach(() => server.stop());

const letter = (recipient: string) => ({
  ...{ id: '4a1f3e0c-0000-4000-8000-000000000001', recipient },
  ...{ subject: 'Heizung für alle', body: 'Hallo Änne,\n\nes ist warm.\n' },
});
const post = (port: number, from?: string) =>
  postFrom({
    ...{ NODE_ENV: 'test', UPBEAT_SMTP_URL: `smtp://127.0.0.1:${port}` },
    ...(from && { UPBEAT_MAIL_FROM: from }),
  });
const failure = async (port: number, recipient: string) => {
  const [trial] = await Promise.allSettled([post(port)?.(letter(recipient))]);
  return trial?.status === 'rejected' ? failureOf(trial.reason) : 'sent';
};

it('gives the mail server a letter under an id of its own', async () => {
  await post(server.port, 'Hall <hall@quay.example>')?.(letter('ada@pier.example'));
  await post(server.port)?.(letter('ada@pier.example'));
  expect(taken.map((l) => l.recipient)).toEqual(['ada@pier.example', 'ada@pier.example']);
  const [first = '', second = ''] = taken.map((l) => l.text);
  expect(first).toMatch(/^From: Hall <hall@quay\.example>\r$/m);
  expect(first).toMatch(/^Message-ID: <4a1f3e0c-0000-4000-8000-000000000001@quay\.example>\r$/m);
  expect(first).toMatch(/^Subject: =\?UTF-8\?/m);
  expect(second).toMatch(/^Message-ID: <4a1f3e0c-[^@]+@localhost>\r$/m);
});

it('tells refusals of one address from a mail server that is away', async () => {
  expect(await failure(server.port, 'never@pier.example')).toMatchObject({
    ...{ isAway: false, mayPass: false, trouble: expect.stringContaining('refused here') },
  });
  expect(await failure(server.port, 'later@pier.example')).toMatchObject({
    ...{ isAway: false, mayPass: true },
  });
  expect(await failure(await freePort(), 'ada@pier.example')).toMatchObject({
    ...{ isAway: true, mayPass: true },
  });
  expect(taken).toEqual([]);
});

it('is nobody where no mail server is configured', () => {
  expect(postFrom({ NODE_ENV: 'test' })).toBeNull();
});
