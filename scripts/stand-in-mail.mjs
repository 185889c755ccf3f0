import { parseArgs } from 'node:util';
import { mailServer } from './lib/mail-server.mjs';
import { main, say, Trouble } from './lib/say.mjs';

/** Stands in for a mail server: shows the letters that Up Beat sends, and sends none of them on. */
await main(async () => {
  const { values } = parseArgs({
    options: {
      port: { type: 'string', default: '2525' },
      refuse: { type: 'string', multiple: true, default: [] },
      later: { type: 'string', multiple: true, default: [] },
    },
  });
  const port = Number(values.port);
  if (!(port > 0)) throw new Trouble('--port must be a number above 0.');
  const answers = (recipient) => {
    if (values.refuse.includes(recipient)) return 550;
    return values.later.includes(recipient) ? 450 : null;
  };
  const took = ({ recipient, text }) => say(`\nTo ${recipient}\n${text}`);
  await mailServer({ port, answers, took });
  say(
    `Letters are taken here: UPBEAT_SMTP_URL=smtp://127.0.0.1:${port} npm start. Ctrl-C stops it.`,
  );
  await new Promise(() => {});
});
