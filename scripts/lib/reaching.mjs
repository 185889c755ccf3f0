/**
 * How PostgreSQL's programs are told which database is meant. Whatever a program is called with everybody on the
 * machine can read, so the password goes another way.
 * @param {string} url
 * @returns {{ to: string, env: NodeJS.ProcessEnv }}
 */
export function reaching(url) {
  const at = URL.parse(url);
  // A database on a socket has no host, and its address is none that can be taken apart.
  if (!at?.password) return { to: url, env: process.env };
  const password = decodeURIComponent(at.password);
  at.password = '';
  return { to: at.href, env: { ...process.env, PGPASSWORD: password } };
}
