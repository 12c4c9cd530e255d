import { useRef, useState } from 'react';
import { api, unwrap, ApiError, type FlyLine, type Rod } from '../../api/client';
import { keepPiece, useShelving, type GearKind } from '../../state/gear';
import { Message } from '../../ui/Message';
import { Say } from '../../ui/Say';
import { useReading } from '../../ui/useReading';

type Label = Awaited<ReturnType<typeof readLabel>>;

const readLabel = (text: string) => unwrap(api.POST('/api/shed/label', { body: { text } }));

const kindOf = (label: Label): GearKind => (label.rod ? 'rods' : label.line ? 'lines' : 'reels');

/** Gear put into the shed as fast as its labels can be read: one field, Enter, the next. */
export function LabelEntry() {
  const { added } = useShelving();
  const [text, setText] = useState('');
  const [label, setLabel] = useState<Label | null>(null);
  const [words, setWords] = useState<string | null>(null);
  const adding = useRef(false);
  const entry = useReading('label', readLabel, setLabel);
  const type = (typed: string) => {
    setText(typed);
    setWords(null);
    setLabel(null);
    if (typed.trim()) entry.type(typed);
  };
  const add = async () => {
    if (!text.trim() || adding.current) return;
    adding.current = true;
    try {
      // Enter may come before the label was read.
      const read = await readLabel(text);
      const kind = kindOf(read);
      const piece = (read.rod ?? read.line ?? read.reel)!;
      const kept = await keepPiece(kind, piece as Rod & FlyLine);
      setText('');
      setLabel(null);
      await added(kind, kept);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setWords(Object.values(error.fields)[0] ?? error.message);
    } finally {
      adding.current = false;
    }
  };
  return (
    <form
      className="max-w-2xl"
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <label className="block">
        <span className="font-semibold">Add by its label</span>{' '}
        <span className="text-soft">9ft 6 · 9'6 #7 4pc fast · WF6F · DT5F · WF8I · reel 7/8 · WF7F + 150 yd 20 lb</span>
        <span className="mt-1 flex gap-2">
          <input
            className="entry min-w-0 flex-1 text-lg"
            value={text}
            autoComplete="off"
            spellCheck={false}
            aria-describedby="label-says"
            onChange={(event) => type(event.target.value)}
          />
          <button className="btn" type="submit">
            Add it
          </button>
        </span>
      </label>
      <p id="label-says" className="min-h-[1lh] text-[0.92rem] text-soft" aria-live="polite">
        {label && text.trim() ? (
          <>
            A {kindOf(label).slice(0, -1)}, {label.tag} {label.name}; assumed until you measure it:{' '}
            <Say parts={label.assumes} />.
          </>
        ) : null}
      </p>
      <Message>{words}</Message>
    </form>
  );
}
