import { useQuery } from '@tanstack/react-query';
import { api, unwrap, type Standards } from '../../api/client';
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
type GearFieldOf = Standards['fields']['rods'][number];

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
          {standards.fields[kind === 'leader-spools' ? 'leaderSpools' : kind].map((field) => (
            <GearField key={field.name} form={form} field={field} />
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

function GearField({ form, field }: { form: Form<Piece>; field: GearFieldOf }) {
  const common = { of: form, at: field.name, label: field.label };
  if (field.kind) return <Measure {...common} kind={field.kind} empty={!field.must} />;
  if (field.shape === 'choice')
    return <Choice {...common} options={field.choices as Option[]} none={field.none ?? undefined} />;
  if (field.shape === 'yes') return <Tick {...common} className="items-end pb-1" />;
  if (field.shape === 'day') return <Day {...common} empty />;
  if (field.shape === 'money') return <Sum {...common} />;
  const placeholder = field.name === 'tag' || field.name === 'name' ? suggested : undefined;
  return <Text {...common} digits={field.shape === 'count'} placeholder={placeholder} />;
}
