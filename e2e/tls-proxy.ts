import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { request } from 'node:http';
import { createServer } from 'node:https';
import { tmpdir } from 'node:os';
import path from 'node:path';

/** A key and a certificate that nobody but this test trusts. */
function certificate(name: string): { key: Buffer; cert: Buffer } {
  const folder = mkdtempSync(path.join(tmpdir(), 'upbeat-tls-'));
  try {
    const [key, cert] = [path.join(folder, 'key.pem'), path.join(folder, 'cert.pem')];
    const asked = ['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '2'];
    const args = [...asked, '-subj', `/CN=${name}`, '-keyout', key, '-out', cert];
    const made = spawnSync('openssl', args, { encoding: 'utf8' });
    if (made.status !== 0) throw new Error(`openssl made no certificate: ${made.stderr}`);
    return { key: readFileSync(key), cert: readFileSync(cert) };
  } finally {
    rmSync(folder, { recursive: true });
  }
}

/** Stands before a server as a proxy on the open internet does: it ends TLS and says whom it was asked by. */
export function tlsProxy({ name, port, to }: { name: string; port: number; to: string }) {
  const { hostname, port: inner } = new URL(to);
  const server = createServer(certificate(name), (asked, answer) => {
    const before = asked.headers['x-forwarded-for'];
    const from = asked.socket.remoteAddress ?? '';
    const headers = {
      ...asked.headers,
      'x-forwarded-for': before ? `${before}, ${from}` : from,
      'x-forwarded-host': asked.headers.host,
      'x-forwarded-proto': 'https',
    };
    const { method, url } = asked;
    const passed = request({ hostname, port: inner, method, path: url, headers }, (got) => {
      answer.writeHead(got.statusCode ?? 502, got.headers);
      got.pipe(answer);
    });
    passed.on('error', () => answer.destroy());
    asked.on('close', () => !asked.complete && passed.destroy());
    asked.pipe(passed);
  });
  return new Promise<() => Promise<void>>((resolve) => {
    server.listen(port, '127.0.0.1', () =>
      resolve(async () => {
        server.closeAllConnections();
        await new Promise((done) => server.close(done));
      }),
    );
  });
}
