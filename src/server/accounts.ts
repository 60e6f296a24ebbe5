import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { z } from 'zod';
import { maybeOne, one, run, sql, type Connection } from './database';
import { Refusal } from './refusal';

export const Account = z.object({ id: z.string(), email: z.string(), name: z.string() });
export type Account = z.infer<typeof Account>;

export const NewAccount = z.object({
  email: z
    .email('Write the address like name@place.example.')
    .max(200)
    .transform((email) => email.toLowerCase()),
  name: z.string().trim().min(1, 'Write your name.').max(100),
  password: z.string().min(10, 'Take at least 10 characters for the password.').max(200),
});

export const SignIn = z.object({
  email: z
    .string()
    .max(200)
    .transform((email) => email.trim().toLowerCase()),
  password: z.string().max(200),
});

const sessionDays = 30;
const mostFailures = 8;

export async function createAccount(on: Connection, given: z.infer<typeof NewAccount>): Promise<Account> {
  const password = await hash(given.password);
  const made = await maybeOne(
    on,
    Account,
    sql`insert into account (email, name, password_hash) values (${given.email}, ${given.name}, ${password})
        on conflict (email) do nothing returning id, email, name`,
  );
  if (!made) throw new Refusal(409, 'There is an account with this address already. Sign in instead.');
  return made;
}

// Checked where no account is found, so that the answer takes as long.
let decoy: Promise<string> | null = null;

/** The account of a right address and password. After several wrong tries an address has to wait. */
export async function checkSignIn(on: Connection, { email, password }: z.infer<typeof SignIn>): Promise<Account> {
  const failures = await one(
    on,
    z.object({ n: z.coerce.number() }),
    sql`select count(*) as n from failed_sign_in where email = ${email} and at > now() - interval '15 minutes'`,
  );
  if (failures.n >= mostFailures)
    throw new Refusal(429, 'There were too many wrong tries for this address. Wait 15 minutes and try again.');
  const found = await maybeOne(
    on,
    Account.extend({ password_hash: z.string() }),
    sql`select id, email, name, password_hash from account where email = ${email}`,
  );
  decoy ??= hash(randomBytes(16).toString('hex'));
  const right = await verify(found?.password_hash ?? (await decoy), password);
  if (!found || !right) {
    await run(on, sql`insert into failed_sign_in (email) values (${email})`);
    throw new Refusal(401, 'The address or the password is not right.');
  }
  await run(on, sql`delete from failed_sign_in where email = ${email} or at < now() - interval '1 day'`);
  return Account.parse(found);
}

const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Opens a session; returns the secret for the cookie and its life in seconds. */
export async function openSession(on: Connection, account: string): Promise<{ token: string; seconds: number }> {
  const token = randomBytes(32).toString('base64url');
  await run(on, sql`delete from session where expires_at < now()`);
  await run(
    on,
    sql`insert into session (token_hash, account, expires_at) values (${tokenHash(token)}, ${account}, now() + make_interval(days => ${sessionDays}))`,
  );
  return { token, seconds: sessionDays * 86_400 };
}

export async function closeSession(on: Connection, token: string): Promise<void> {
  await run(on, sql`delete from session where token_hash = ${tokenHash(token)}`);
}

export async function accountOfSession(on: Connection, token: string): Promise<Account | null> {
  return maybeOne(
    on,
    Account,
    sql`select account.id, account.email, account.name from session join account on account.id = session.account
        where token_hash = ${tokenHash(token)} and expires_at > now()`,
  );
}
