import { useEffect, useState, type RefObject } from 'react';
import type { Finding } from '../../core/model';
import type { ReadChoices } from '../../core/read';
import { takeFiles, takeIncoming, type Incoming } from '../shared/incoming';

const plainEnds = (text: string): string => text.replaceAll('\r\n', '\n').replaceAll('\r', '\n');

/** The list on Start: its text and title, what was decided about it, and the parts of a file to choose from. `typed` keeps it beyond a fault of the page. */
export function useList(typed: RefObject<Incoming | null>, sample: Incoming | null) {
  const [incoming] = useState(() => typed.current ?? takeIncoming() ?? sample);
  const [text, setText] = useState(plainEnds(incoming?.text ?? ''));
  const [title, setTitle] = useState(incoming?.name ?? '');
  const [decoding, setDecoding] = useState<readonly Finding[]>(incoming?.findings ?? []);
  const [parts, setParts] = useState(incoming?.parts ?? []);
  const [part, setPart] = useState(() =>
    Math.max(
      0,
      (incoming?.parts ?? []).findIndex((one) => one.text === incoming?.text),
    ),
  );
  const [choices, setChoices] = useState<ReadChoices>({});
  const [taking, setTaking] = useState(false);
  useEffect(() => {
    typed.current = { text, name: title, findings: decoding, parts };
  }, [typed, text, title, decoding, parts]);
  const isSampled = title === sample?.name;

  return {
    text,
    title,
    setTitle,
    decoding,
    parts,
    part,
    choices,
    setChoices,
    /** True while a file is being read. */
    taking,
    /** What is typed or pasted into the list. */
    type(next: string) {
      setText(next);
      setDecoding([]);
      if (isSampled) setTitle('');
    },
    async take(files: readonly File[]) {
      if (files.length === 0) return;
      setTaking(true);
      const taken = await takeFiles(files).finally(() => setTaking(false));
      setDecoding(taken.findings);
      // A file that could not be read leaves the list as it is.
      if (taken.text === '' && taken.findings.length > 0) return;
      const of = taken.parts ?? [];
      setText(plainEnds(taken.text));
      setParts(of);
      setPart(
        Math.max(
          0,
          of.findIndex((one) => one.text === taken.text),
        ),
      );
      if (title === '' || isSampled) setTitle(taken.name);
      setChoices({});
    },
    /** Another of several sheets or files. */
    choosePart(index: number) {
      const chosen = parts[index];
      if (!chosen) return;
      setText(plainEnds(chosen.text));
      setDecoding(chosen.findings);
      setPart(index);
      if (title === '' || parts.some(({ name }) => name === title)) setTitle(chosen.name);
      setChoices({});
    },
  };
}
