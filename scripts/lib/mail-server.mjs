import { SMTPServer } from 'smtp-server';

/**
 * A mail server that sends nothing on: a stand-in, to see what goes out and what becomes of letters that are refused.
 * @param {{ port: number,
 *           answers?: (recipient: string) => number | null,
 *           took: (letter: { recipient: string, text: string }) => void }} how
 *   `answers` gives the number by which an address is refused (RFC 5321, 4.2.1), or null where it is not
 * @returns {Promise<{ port: number, stop: () => Promise<void> }>}
 */
export async function mailServer({ port, answers = () => null, took }) {
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS'],
    onRcptTo({ address }, _session, done) {
      const responseCode = answers(address);
      if (responseCode === null) done();
      else done(Object.assign(new Error(`${address} is refused here`), { responseCode }));
    },
    onData(stream, { envelope }, done) {
      const parts = [];
      stream.on('data', (part) => parts.push(part));
      stream.on('end', () => {
        const text = Buffer.concat(parts).toString();
        for (const { address } of envelope.rcptTo) took({ recipient: address, text });
        done();
      });
    },
  });
  await new Promise((resolve, reject) => {
    server.on('error', reject);
    server.listen(port, '127.0.0.1', resolve);
  });
  return {
    port: server.server.address().port,
    stop: () => new Promise((resolve) => server.close(resolve)),
  };
}
