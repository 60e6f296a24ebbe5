import type { z } from 'zod';
import { own } from '../core/model';

/** What people call what they filled in, by its name in a request. */
const names: Readonly<Record<string, string>> = {
  email: 'The mail address',
  password: 'The password',
  current: 'The present password',
  next: 'The new password',
  name: 'The name',
  title: 'The title',
  subtitle: 'The subtitle',
  author: 'The author',
  date: 'The date',
  phrase: 'The linking phrase',
  q: 'What is searched for',
  text: 'The text',
  details: 'The details',
};

/** What is wrong with a request, in words for whoever sent it and never in those of a validator; what a schema says itself goes before. */
export function issueWords(issue: z.core.$ZodRawIssue): string {
  const path = (issue.path ?? []).map(String);
  const last = [...path].reverse().find((part) => !/^\d+$/.test(part)) ?? '';
  const what =
    own(names, last) ?? (path.length > 0 ? `What stands at “${path.join('.').slice(0, 120)}”` : 'The request');
  switch (issue.code) {
    case 'too_big':
      return issue.origin === 'string'
        ? `${what} has more than ${issue.maximum.toLocaleString('en')} letters; shorten it.`
        : `${what} is more than ${issue.maximum.toLocaleString('en')}.`;
    case 'too_small':
      return issue.origin === 'string' && issue.minimum === 1
        ? `${what} is missing.`
        : issue.origin === 'string'
          ? `${what} needs at least ${issue.minimum} letters.`
          : `${what} is less than ${issue.minimum.toLocaleString('en')}.`;
    case 'invalid_type':
      return issue.input === undefined ? `${what} is missing.` : `${what} is not what it has to be.`;
    case 'unrecognized_keys':
      return `${what} has something unexpected: ${issue.keys.join(', ').slice(0, 120)}.`;
    default:
      return `${what} is not what it has to be.`;
  }
}
