import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import type pg from 'pg';
import { z } from 'zod';
import { text } from '../core/model';
import { many, maybeOne, run, sql, withTransaction, type Connection } from './database';
import { countNewAccount, countSignIn, forgetTries } from './limits';
import { Refusal } from './refusal';

export const Account = z.object({ id: z.string(), email: z.string(), name: z.string() });
export type Account = z.infer<typeof Account>;

const NewPassword = text(200).min(10, 'Take at least 10 characters for the password.');

export const NewAccount = z.object({
  email: z
    .email('Write the address like name@place.example.')
    .max(200)
    .transform((email) => email.toLowerCase()),
  name: text(100).trim().min(1, 'Write your name.'),
  password: NewPassword,
});

export const SignIn = z.object({
  email: text(200).transform((email) => email.trim().toLowerCase()),
  password: text(200),
});

export const AccountDeletion = z.object({ password: text(200) });

export const PasswordChange = z.object({ current: text(200), next: NewPassword });

const sessionDays = 30;

/**
 * Makes an account. Where the address has one already, a right password signs in; else no more is said than that it did not work, and it takes as
 * long.
 */
export async function createAccount(
  pool: pg.Pool,
  given: z.infer<typeof NewAccount>,
  source = 'here',
  options: { readonly demo?: boolean } = {},
): Promise<Account> {
  await countNewAccount(pool, source);
  const password = await hash(given.password);
  const made = await maybeOne(
    pool,
    Account,
    sql`insert into account (email, name, password_hash, demo) values (${given.email}, ${given.name}, ${password}, ${options.demo ?? false})
        on conflict (email) do nothing returning id, email, name`,
  );
  if (made) return made;
  await countSignIn(pool, given.email, source);
  const known = await checkPassword(pool, given.email, given.password);
  if (known) return known;
  throw new Refusal(
    409,
    'That did not work. If you made an account with this address before, sign in with it instead.',
  );
}

// Checked where no account is found, so that the answer takes as long.
let decoy: Promise<string> | null = null;

async function checkPassword(on: Connection, email: string, password: string): Promise<Account | null> {
  const found = await maybeOne(
    on,
    Account.extend({ password_hash: z.string(), demo: z.boolean() }),
    sql`select id, email, name, password_hash, demo from account where email = ${email}`,
  );
  decoy ??= hash(randomBytes(16).toString('hex'));
  const right = await verify(found?.password_hash ?? (await decoy), password);
  // Everybody knows the demo's passwords; they open something only where the demo is wanted.
  if (!found || !right || (found.demo && process.env.DENDROTAX_DEMO !== 'yes')) return null;
  return Account.parse(found);
}

/** The account of a right address and password. Every try is counted before it is tested; after several one has to wait a little. */
export async function checkSignIn(
  pool: pg.Pool,
  { email, password }: z.infer<typeof SignIn>,
  source = 'here',
): Promise<Account> {
  await countSignIn(pool, email, source);
  const account = await checkPassword(pool, email, password);
  if (!account) throw new Refusal(401, 'The address or the password is not right.');
  await forgetTries(pool, email, source);
  return account;
}

/** The hash under which a session's secret is kept, and by which its streams are known. */
export const sessionHash = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Opens a session; returns the secret for the cookie and its life in seconds. */
export async function openSession(on: Connection, account: string): Promise<{ token: string; seconds: number }> {
  const token = randomBytes(32).toString('base64url');
  await run(on, sql`delete from session where expires_at < now()`);
  await run(
    on,
    sql`insert into session (token_hash, account, expires_at) values (${sessionHash(token)}, ${account}, now() + make_interval(days => ${sessionDays}))`,
  );
  return { token, seconds: sessionDays * 86_400 };
}

/** Ends a session and all its streams. */
export async function closeSession(on: Connection, token: string): Promise<void> {
  await run(on, sql`delete from session where token_hash = ${sessionHash(token)}`);
  await endStreams(on, sessionHash(token));
}

const endStreams = (on: Connection, session: string) => run(on, sql`select pg_notify('session', ${session})`);

/** Changes the password of an account and ends its other sessions. */
export async function changePassword(
  pool: pg.Pool,
  account: Account,
  { current, next }: z.infer<typeof PasswordChange>,
  token: string,
  source = 'here',
): Promise<void> {
  await countSignIn(pool, account.email, source);
  if (!(await checkPassword(pool, account.email, current)))
    throw new Refusal(401, 'The present password is not right.');
  await forgetTries(pool, account.email, source);
  await run(pool, sql`update account set password_hash = ${await hash(next)} where id = ${account.id}`);
  const ended = await many(
    pool,
    z.object({ token_hash: z.string() }),
    sql`delete from session where account = ${account.id} and token_hash <> ${sessionHash(token)} returning token_hash`,
  );
  for (const { token_hash } of ended) await endStreams(pool, token_hash);
}

/** Deletes an account and all that is its: diagrams with their logs, pictures, house styles, sessions. The password is asked for again. */
export async function deleteAccount(
  pool: pg.Pool,
  account: Account,
  { password }: z.infer<typeof AccountDeletion>,
  source = 'here',
): Promise<void> {
  await countSignIn(pool, account.email, source);
  if (!(await checkPassword(pool, account.email, password))) throw new Refusal(401, 'The password is not right.');
  await forgetTries(pool, account.email, source);
  const sessions = await many(
    pool,
    z.object({ token_hash: z.string() }),
    sql`select token_hash from session where account = ${account.id}`,
  );
  const gone = await withTransaction(pool, async (tx) => {
    // First the diagrams with their logs, which name the account too.
    await run(
      tx,
      sql`delete from diagram using account where owner = ${account.id} and account.id = owner and not demo`,
    );
    return run(tx, sql`delete from account where id = ${account.id} and not demo`);
  });
  if (gone === 0) throw new Refusal(422, 'The accounts of the demo stay; everybody uses them.');
  for (const { token_hash } of sessions) await endStreams(pool, token_hash);
}

export async function accountOfSession(on: Connection, token: string): Promise<Account | null> {
  return maybeOne(
    on,
    Account,
    sql`select account.id, account.email, account.name from session join account on account.id = session.account
        where token_hash = ${sessionHash(token)} and expires_at > now()`,
  );
}

export async function isSessionOpen(on: Connection, session: string): Promise<boolean> {
  return (
    (await maybeOne(
      on,
      z.object({ ok: z.literal(1) }),
      sql`select 1 as ok from session where token_hash = ${session} and expires_at > now()`,
    )) !== null
  );
}
