import fc from 'fast-check';

/** Names as people have them that a reader could take for something else. */
export const hostileNames = [
  'A. Okoro',
  '24 Hour Desk',
  'Smith, John',
  '- dash',
  '1.2 Budget',
  '1) First',
  'a) Letter',
  '# Heading',
  '• Dot',
  'Say "hello"',
  '"quoted"',
  '"open',
  '  leading blanks',
  'trailing blanks  ',
  'two\nlines',
  'tab\there',
  'carriage\rreturn',
  'back\\slash\\n',
  'Name',
  'Reports to',
  'Total',
  'Total: 10',
  'Bo (Skipper)',
  'Bo – Skipper',
  'Team:',
  'Ratio 3:1: a note',
  'x',
  '–',
  '',
  '=SUM(A1:A9)',
  '+49 30 1234',
  '-5',
  '@home',
  "'=quoted",
  'constructor',
  'Vacant',
  'Field: Room',
  'Set: Fish',
  'Ćwikła, Żółw & Co; Ltd',
  'a | b',
];
export const hostileName: fc.Arbitrary<string> = fc.oneof(
  fc.constantFrom(...hostileNames),
  fc.string({ maxLength: 12 }).map((name) => name.replaceAll('\0', '')),
  fc
    .array(
      fc.constantFrom('"', ',', ';', ' ', '\t', '\n', '–', ':', '.', '1', 'a', 'B', '-', '(', ')', '\\', '|', "'", '='),
      {
        maxLength: 9,
      },
    )
    .map((parts) => parts.join('')),
);
