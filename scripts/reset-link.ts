import { now } from '@/server/clock';
import { connect } from '@/server/db';
import { resetAddress } from '@/server/studio/teachers';

/** Prints the address at which a teacher chooses a new password: for whoever runs the machine. */
async function print(): Promise<void> {
  const [email] = process.argv.slice(2);
  const url = process.env.DATABASE_URL;
  if (!email || !url) throw new Error('Say whose: npm run reset-link -- name@example.org');
  const db = connect(url);
  try {
    const address = await resetAddress(db, { email: email.toLowerCase(), now: now() });
    if (!address) throw new Error(`Nobody signs in as ${email} here.`);
    console.log(`Works once, within an hour: ${address}`);
  } finally {
    await db.destroy();
  }
}

print().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
});
