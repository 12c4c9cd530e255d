import { useQuery } from '@tanstack/react-query';
import { api, unwrap, type Kind } from '../../api/client';
import { key } from '../../api/keys';
import { useAttempt } from '../../api/useAttempt';
import { current, inShed, keepPiece, useShed, useShelving, type GearKind } from '../../state/gear';
import { Again, Choice, Day, Measure, Refused, Sum, Text, Tick } from '../../ui/fields';
import { draftOf, useForm, type Form } from '../../ui/form';
import { Message } from '../../ui/Message';
import { Panel } from '../../ui/Panel';
import type { Option } from '../../ui/Pick';
import { useToast } from '../../ui/toast';
import { useUnits } from '../../ui/units';

// Of any kind: the contract types each, the form asks for what stands in its list.
// eslint-disable-next-line @typescript-eslint/no-explicit-any
type Piece = Record<string, any>;
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
    queryKey: key('scraps'),
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
  return <Entry kind={kind} start={piece} id={id} onClose={onClose} />;
}

function Entry({ kind, start, id, onClose }: { kind: GearKind; start: Piece; id: number | null; onClose: () => void }) {
  const { standards } = useUnits();
  const toast = useToast();
  const { away } = useShelving();
  const form = useForm<Piece>(draftOf(kind, id), start, Number(start.version ?? 0));
  const { attempt, words } = useAttempt();
  const keep = () =>
    form.keep(async (piece, version) => {
      const kept = await keepPiece(kind, { ...piece, version } as never);
      toast({ words: `${kept.tag} is in the shed.` });
      onClose();
    });
  const theirs = async () => {
    const now = (await current(kind, id!)) as Piece | undefined;
    return now ? { values: now, version: Number(now.version) } : null;
  };
  return (
    <Panel
      title={id === null ? `A ${one(kind)} for the shed` : `${String(start.tag)} ${String(start.name)}`}
      onClose={onClose}
    >
      <form
        {...form.area}
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <Again form={form} />
        <div className="grid grid-cols-2 gap-x-4 gap-y-3 sm:grid-cols-3">
          {fieldsOf(kind, standards).map((field) => (
            <GearField key={field.key} form={form} field={field} />
          ))}
        </div>
        <Refused form={form} theirs={theirs} again={keep} />
        <Message>{words}</Message>
        <div className={form.stale ? 'hidden' : 'mt-4 flex gap-3'}>
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
              onClick={async () => {
                if (await attempt(() => away(kind, { id, tag: String(start.tag) }))) onClose();
              }}
            >
              Put it away
            </button>
          )}
        </div>
      </form>
    </Panel>
  );
}

const suggested = 'suggested when left empty';

function GearField({ form, field }: { form: Form<Piece>; field: Field }) {
  const common = { of: form, at: field.key, label: field.label };
  if ('kind' in field) return <Measure {...common} kind={field.kind} empty={!field.must} />;
  if ('options' in field) return <Choice {...common} options={field.options} none={field.none} />;
  if ('yes' in field) return <Tick {...common} label={field.yes} className="items-end pb-1" />;
  if ('day' in field) return <Day {...common} empty />;
  if ('money' in field) return <Sum {...common} />;
  const placeholder = field.key === 'tag' || field.key === 'name' ? suggested : undefined;
  return <Text {...common} digits={'count' in field} placeholder={placeholder} />;
}
