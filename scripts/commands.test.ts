import { spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { type NetworkInterfaceInfo, tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { addressOnNetwork } from './lib/hall.mjs';
import { freePort, isFree, until } from './lib/ports.mjs';
import { ensureDatabase, startPostgres } from './lib/postgres.mjs';

const root = path.resolve(import.meta.dirname, '..');
const folder = mkdtempSync(path.join(tmpdir(), 'upbeat-commands-'));
chmodSync(folder, 0o755);
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const start = (env: Record<string, string>) =>
  spawnSync(process.execPath, ['scripts/start.mjs'], {
    cwd: root,
    timeout: 30_000,
    encoding: 'utf8',
    env: { ...process.env, UPBEAT_DATA_DIR: path.join(folder, 'start'), ...env },
  });

describe('npm start', () => {
  it('says in one sentence that a port is in use, or no port at all', async () => {
    const server = createServer();
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
    const address = server.address();
    const port = typeof address === 'object' && address ? address.port : 0;
    const taken = start({ PORT: String(port) });
    await new Promise((done) => server.close(done));
    expect(taken.status).toBe(1);
    expect(taken.stderr.trim()).toBe(
      `Port ${port} is in use. Free it, or choose another: PORT=3001 npm start`,
    );
    expect(start({ HOST: 'hall.example' }).stderr).toMatch(/HOST is "hall.example"; it must be/);
    expect(start({ PORT: 'eighty' }).stderr).toMatch(/PORT is "eighty"; it must be a port number/);
  });

  it('says in one sentence that it may not write its folder', () => {
    const blocked = start({ UPBEAT_DATA_DIR: '/etc/hostname/data' });
    expect(blocked.status).toBe(1);
    expect(blocked.stderr.trim()).toMatch(
      /^The folder \/etc\/hostname\/data cannot be written: .+$/,
    );
  });
});

describe('the address on the network', () => {
  const at = (address: string, internal = false, family = 'IPv4') =>
    ({ address, internal, family }) as NetworkInterfaceInfo;

  it('is that of the hall, and none where there is no network', () => {
    expect(addressOnNetwork({ lo: [at('127.0.0.1', true)] })).toBeNull();
    expect(
      addressOnNetwork({ eth0: [at('169.254.7.7')], v6: [at('fe80::1', false, 'IPv6')] }),
    ).toBe(null);
    const both = {
      lo: [at('127.0.0.1', true)],
      vpn: [at('203.0.113.9')],
      wifi: [at('192.168.7.4')],
    };
    expect(addressOnNetwork(both)).toBe('192.168.7.4');
    expect(addressOnNetwork({ eth0: [at('203.0.113.9')] })).toBe('203.0.113.9');
  });
});

describe('the database cluster', () => {
  it('is on loopback with a password, keeps its data, and is joined where it runs', async () => {
    const dir = path.join(folder, 'cluster');
    const first = await startPostgres(dir);
    try {
      ensureDatabase(first, 'kept');
      ensureDatabase(first, 'kept');
      expect(first.urlOf('kept')).toMatch(
        /^postgres:\/\/upbeat:[0-9a-f]{48}@127\.0\.0\.1:\d+\/kept$/,
      );
      expect(first.psql('show listen_addresses')).toBe('127.0.0.1');
      expect(first.psql('show password_encryption')).toBe('scram-sha-256');
      const second = await startPostgres(dir);
      expect(second.pid).toBe(first.pid);
    } finally {
      await first.stop();
    }
    const again = await startPostgres(dir);
    try {
      expect(again.pid).not.toBe(first.pid);
      expect(again.psql("select count(*) from pg_database where datname = 'kept'")).toBe('1');
    } finally {
      await again.stop();
    }
  });
});

describe('waiting', () => {
  it('ends as soon as it is so, and gives up in time', async () => {
    let asked = 0;
    expect(await until(() => ++asked === 3, 1000, 1)).toBe(true);
    expect(asked).toBe(3);
    expect(await until(() => false, 10, 1)).toBe(false);
  });

  it('finds ports that can be listened on', async () => {
    expect(await isFree(await freePort())).toBe(true);
  });
});
