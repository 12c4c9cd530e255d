import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { api, unwrap, ApiError, type FieldWords, type Kind, type Rod } from '../../api/client';
import { MeasureField, OptionalMeasureField } from '../../ui/TypedField';
import { Problem } from '../../ui/Problem';
import { MoneyField } from '../../ui/NumberField';
import { Panel } from '../../ui/Panel';
import { Pick, type Option } from '../../ui/Pick';
import { useToast } from '../../ui/toast';
import { useUnits } from '../../ui/units';
import { EntryScope, settleEntries } from '../../ui/useReading';
import { current, inShed, keepPiece, useRefreshGear, useShed, useShelving, type GearKind } from '../../state/gear';
import { unkept } from '../../state/unkept';

type Piece = Record<string, unknown>;
/** What the form asks for of a kind of gear. */
type Field = { key: string; label: string } & (
  | { text: true }
  | { kind: Kind; must?: boolean }
  | { options: Option[]; none?: string }
  | { yes: string }
  | { count: true }
  | { day: true }
  | { money: true }
);

const none = 'none';

function fieldsOf(kind: GearKind, standards: ReturnType<typeof useUnits>['standards']): Field[] {
  const tag: Field[] = [
    { key: 'tag', label: 'Tag', text: true },
    { key: 'name', label: 'Name', text: true },
  ];
  // Of every piece alike.
  const note: Field[] = [
    { key: 'condition', label: 'Condition', options: standards.choices.condition },
    { key: 'price', label: 'Price paid', money: true },
    { key: 'boughtOn', label: 'Here since', day: true },
    { key: 'servicedOn', label: 'Last seen to', day: true },
    { key: 'owner', label: 'Whose, if not the house’s', text: true },
    { key: 'note', label: 'Note', text: true },
  ];
  if (kind === 'rods')
    return [
      ...tag,
      { key: 'lengthM', label: 'Length', kind: 'rodLength', must: true },
      { key: 'massKg', label: 'Mass', kind: 'gearMass', must: true },
      { key: 'printedClass', label: 'Class on the label', kind: 'lineClass' },
      { key: 'measuredClass', label: 'Class measured', kind: 'lineClass' },
      { key: 'measuredPlusMinus', label: 'Measured, ±', kind: 'lineClass' },
      { key: 'tipAngleDeg', label: 'Tip angle, bend test', kind: 'angle' },
      {
        key: 'printedAction',
        label: 'Action on the label',
        none: 'none',
        options: standards.choices.action,
      },
      { key: 'pieces', label: 'Pieces', count: true },
      ...note,
    ];
  if (kind === 'lines')
    return [
      ...tag,
      {
        key: 'build',
        label: 'Build',
        options: standards.choices.build,
      },
      { key: 'printedClass', label: 'Class on the label', kind: 'lineClass' },
      { key: 'lengthM', label: 'Whole length', kind: 'length', must: true },
      { key: 'headM', label: 'Head length', kind: 'length', must: true },
      { key: 'headKg', label: 'Head, weighed', kind: 'lineMass' },
      { key: 'density', label: 'Density', options: standards.densities },
      { key: 'coating', label: 'Coating', options: standards.coatings },
      { key: 'saltRated', label: 'Salt', yes: 'rated for salt' },
      { key: 'frontTaperM', label: 'Front taper', kind: 'length', must: true },
      { key: 'rearTaperM', label: 'Rear taper', kind: 'length', must: true },
      { key: 'tipDiameterM', label: 'Tip, thick', kind: 'diameter', must: true },
      { key: 'bellyDiameterM', label: 'Belly, thick', kind: 'diameter', must: true },
      { key: 'runningDiameterM', label: 'Running line, thick', kind: 'diameter', must: true },
      ...note,
    ];
  if (kind === 'leader-spools')
    return [
      ...tag,
      { key: 'material', label: 'Of', options: standards.choices.spoolMaterial },
      { key: 'diameterM', label: 'Thick', kind: 'tippet', must: true },
      { key: 'leftM', label: 'Left on it', kind: 'spooled', must: true },
      { key: 'statedN', label: 'Label, stands', kind: 'force' },
      ...note,
    ];
  if (kind === 'leaders') return [...tag, ...note];
  if (kind === 'scraps')
    return [
      ...tag,
      { key: 'lengthM', label: 'Length', kind: 'length', must: true },
      { key: 'massKg', label: 'Weighed', kind: 'lineMass', must: true },
      { key: 'taperM', label: 'Taper at its thin end', kind: 'length', must: true },
      { key: 'tipShare', label: 'Tip to belly, thick', kind: 'ratio', must: true },
      { key: 'density', label: 'Density', options: standards.densities },
      ...note,
    ];
  return [
    ...tag,
    { key: 'massKg', label: 'Mass, empty', kind: 'gearMass', must: true },
    { key: 'saltProof', label: 'Salt', yes: 'made for salt' },
    { key: 'arborM', label: 'Arbor across', kind: 'spoolSize' },
    { key: 'rimM', label: 'Rim across', kind: 'spoolSize' },
    { key: 'widthM', label: 'Width inside', kind: 'spoolSize' },
    { key: 'dragN', label: 'Most drag', kind: 'force' },
    { key: 'labelLow', label: 'Label, lowest class', kind: 'lineClass' },
    { key: 'labelHigh', label: 'Label, highest class', kind: 'lineClass' },
    { key: 'statedLine', label: 'Line it says it holds, as WF7F', text: true },
    { key: 'statedBackingM', label: 'Backing it says it holds', kind: 'spooled' },
    { key: 'statedBacking', label: 'Backing of', none: 'not said', options: standards.backings },
    ...note,
  ];
}

const one = (kind: GearKind) => (kind === 'leader-spools' ? 'spool' : kind.slice(0, -1));

/** Adds a piece to the shed or changes it. What was typed stays until it is kept or thrown away. */
export function GearForm({ kind, id, onClose }: { kind: GearKind; id: number | null; onClose: () => void }) {
  const shed = useShed();
  const scraps = useQuery({
    queryKey: ['scraps'],
    queryFn: () => unwrap(api.GET('/api/shed/scraps')),
    enabled: kind === 'scraps',
  });
  const all = (kind === 'scraps' ? scraps.data : shed.data && inShed(shed.data, kind)) as Piece[] | undefined;
  const { rod, line, reel, scrap, leaderSpool } = useUnits().standards.beginnings;
  const fresh: Record<GearKind, Piece> = {
    rods: rod,
    lines: line,
    reels: reel,
    scraps: scrap,
    'leader-spools': leaderSpool,
    leaders: {},
  };
  const piece = id === null ? fresh[kind] : all?.find((p) => p.id === id);
  if (!piece) return null;
  return <Form kind={kind} start={piece} id={id} onClose={onClose} />;
}

function Form({ kind, start, id, onClose }: { kind: GearKind; start: Piece; id: number | null; onClose: () => void }) {
  const { standards } = useUnits();
  const again = useRefreshGear();
  const toast = useToast();
  const { away } = useShelving();
  const [entries] = useState(() => unkept(kind, id));
  const [left, setLeft] = useState(() => entries.recall());
  const [piece, setPiece] = useState<Piece>(() => ({
    ...start,
    ...(left && { ...left.changed, version: left.version }),
  }));
  const [problems, setProblems] = useState<FieldWords>({});
  const [words, setWords] = useState<string | null>(null);
  const [stale, setStale] = useState(false);
  const latest = useRef<Piece>(piece);
  const changed = useRef<Piece>(left?.changed ?? {});
  const set = (key: string, value: unknown) => {
    changed.current = { ...changed.current, [key]: value };
    latest.current = { ...latest.current, ...changed.current };
    entries.remember({ version: Number(latest.current.version ?? 0), changed: changed.current });
    setPiece(latest.current);
    setProblems((all) => Object.fromEntries(Object.entries(all).filter(([field]) => field !== key)));
  };

  const attempt = async (work: () => Promise<unknown>) => {
    try {
      await work();
      entries.forget();
      onClose();
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setProblems(error.fields);
      setWords(error.message);
      setStale(error.status === 412);
    }
  };
  const submit = () =>
    attempt(async () => {
      const kept = await keepPiece(kind, latest.current as Rod);
      await again();
      toast({ words: `${kept.tag} is in the shed.` });
    });
  const startOver = () => {
    entries.forget();
    changed.current = {};
    latest.current = start;
    setPiece(start);
    setLeft(null);
    setProblems({});
    setWords(null);
    setStale(false);
  };
  // Somebody changed it meanwhile: what was typed here goes over theirs and leaves the rest of it alone, or theirs is shown.
  const over = async (mine: boolean) => {
    const theirs = (await current(kind, id!)) as Piece | undefined;
    if (!theirs) return setWords(`${String(piece.tag)} is not in the shed any more.`);
    if (!mine) {
      changed.current = {};
      entries.forget();
      setLeft(null);
    }
    latest.current = { ...theirs, ...changed.current };
    if (mine) return submit();
    setPiece(theirs);
    setWords(null);
    setStale(false);
    await again();
  };

  return (
    <Panel
      title={id === null ? `A ${one(kind)} for the shed` : `${String(start.tag)} ${String(start.name)}`}
      onClose={onClose}
    >
      <form
        onSubmit={async (event) => {
          event.preventDefault();
          if (await settleEntries(event.currentTarget)) return;
          await submit();
        }}
      >
        {left && (
          <p role="status" className="mb-3 flex flex-wrap items-baseline gap-x-3">
            What you entered last time and did not keep is here again.
            <button className="quiet underline" type="button" onClick={startOver}>
              Throw it away
            </button>
          </p>
        )}
        {/* Thrown away or taken over, the fields begin anew. */}
        <EntryScope key={left ? 'left' : 'anew'} value={entries.name}>
          <div className="grid grid-cols-2 gap-x-4 gap-y-3 sm:grid-cols-3">
            {fieldsOf(kind, standards).map((field) => (
              <GearField
                key={field.key}
                field={field}
                value={piece[field.key]}
                problem={problems[field.key]}
                onChange={(value) => set(field.key, value)}
              />
            ))}
          </div>
        </EntryScope>
        {words && (
          <p role="alert" className="mt-3 font-semibold text-fails">
            {words} {stale && 'Yours is still here and not yet kept.'}
          </p>
        )}
        {stale && (
          <div className="mt-4 flex gap-3">
            <button className="btn" type="button" onClick={() => void over(true)}>
              Keep mine
            </button>
            <button className="btn" type="button" onClick={() => void over(false)}>
              Take the other
            </button>
          </div>
        )}
        <div className={stale ? 'hidden' : 'mt-4 flex gap-3'}>
          <button
            className="btn bg-ink! text-paper!"
            type="submit"
            // Words that come or go above may move the button during a press; the press still counts.
            onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
          >
            Keep it
          </button>
          {id !== null && (
            <button
              className="btn"
              type="button"
              onClick={() => void attempt(() => away(kind, { id, tag: String(start.tag) }))}
            >
              Put it away
            </button>
          )}
        </div>
      </form>
    </Panel>
  );
}

function GearField({
  field,
  value,
  problem,
  onChange,
}: {
  field: Field;
  value: unknown;
  problem: string | undefined;
  onChange: (value: unknown) => void;
}) {
  if ('kind' in field) {
    const common = { label: field.label, kind: field.kind, value: value as number | null | undefined, problem };
    return field.must ? (
      <MeasureField {...common} onChange={onChange} />
    ) : (
      <OptionalMeasureField {...common} onChange={onChange} />
    );
  }
  if ('options' in field) {
    const options = field.none ? [{ id: none, name: field.none }, ...field.options] : field.options;
    return (
      <Pick
        label={field.label}
        value={(value as string | null | undefined) ?? none}
        options={options}
        problem={problem}
        onChange={(id) => onChange(id === none ? null : id)}
      />
    );
  }
  if ('yes' in field)
    return (
      <label className="flex items-end gap-2 pb-1">
        <input
          type="checkbox"
          className="size-5"
          checked={Boolean(value)}
          onChange={(event) => onChange(event.target.checked)}
        />
        {field.yes}
      </label>
    );
  if ('day' in field)
    return (
      <label className="block min-w-0">
        <span className="rubric block">{field.label}</span>
        <input
          className="entry w-full"
          type="date"
          value={String(value ?? '')}
          aria-invalid={problem ? true : undefined}
          onChange={(event) => onChange(event.target.value || null)}
        />
        <Problem words={problem} />
      </label>
    );
  if ('money' in field)
    return <MoneyField label={field.label} value={value as number | null} problem={problem} onChange={onChange} />;
  const count = 'count' in field;
  return (
    <label className="block min-w-0">
      <span className="rubric block">{field.label}</span>
      <input
        className="entry w-full"
        inputMode={count ? 'numeric' : undefined}
        value={String(value ?? '')}
        placeholder={field.key === 'tag' || field.key === 'name' ? 'suggested when left empty' : undefined}
        aria-invalid={problem ? true : undefined}
        onChange={(event) => onChange(count ? Number(event.target.value.replace(/\D/g, '')) : event.target.value)}
      />
      <Problem words={problem} />
    </label>
  );
}
