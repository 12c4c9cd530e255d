import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import {
  api,
  unwrap,
  type CutPlan,
  type PlanAnswer,
  type CutTargetInput,
  type JobAnswer,
  type Scrap,
} from '../../api/client';
import { key } from '../../api/keys';
import { useAsk } from '../../api/useAsk';
import { useAttempt } from '../../api/useAttempt';
import { HeadStrip } from '../../drawing/HeadStrip';
import { bringBack, taggedName, useShed } from '../../state/gear';
import { saidDay } from '../../ui/dates';
import { Choice, Measure } from '../../ui/fields';
import { draftOf, useFaults, useForm, type Form } from '../../ui/form';
import { Caution, Message } from '../../ui/Message';
import { Say } from '../../ui/Say';
import { useDone } from '../../ui/toast';
import { metres, useUnits } from '../../ui/units';
import { AwayList } from '../shared/AwayList';
import { EditButton } from '../shared/EditButton';
import { GearForm } from '../shared/GearForm';
import { Job } from './Job';

type Asked = { target: CutTargetInput; rodId: number | null };

/** A head from scraps: what is wanted, every way to cut it, and the bench it is cut on. */
export function CuttingPage() {
  const { show, standards } = useUnits();
  const [feet, grains] = (['length', 'lineMass'] as const).map(
    (kind) => standards.units.find((u) => u.kind === kind)!.trade.scale,
  ) as [number, number];
  const scraps = useQuery({ queryKey: key('scraps'), queryFn: () => unwrap(api.GET('/api/shed/scraps')) });
  const jobs = useQuery({ queryKey: key('jobs'), queryFn: () => unwrap(api.GET('/api/cutting/jobs')) });
  const first = useFirstHead(25 * feet);
  const form = useForm<Asked>(draftOf('head', null), {
    target: { lengthM: 25 * feet, massKg: first.massKg ?? 220 * grains, tipM: null, tipKg: null },
    rodId: first.rodId,
  });
  const body = form.values;
  const plan = useAsk(
    key('cutPlan', body, scraps.dataUpdatedAt, jobs.dataUpdatedAt),
    (signal) => unwrap(api.POST('/api/cutting/plan', { body, signal })),
    scraps.isSuccess && first.known,
  );
  useFaults(form, plan.fields);
  const open = jobs.data?.filter((j) => j.lineId == null) ?? [];
  const made = jobs.data?.filter((j) => j.lineId != null) ?? [];
  return (
    <main id="main" className="mx-auto flex max-w-[84rem] flex-col gap-6 px-5 py-3">
      <header>
        <p className="rubric">Drawer</p>
        <h1 className="text-2xl leading-tight font-semibold">A head from old lines</h1>
        <p className="text-soft">
          Every cut of one piece and every order of two or three is looked at.{' '}
          {plan.data &&
            `Within ${show(plan.data.unfeltKg, 'lineMass')} and ${show(metres(plan.data.unfeltM))} nobody feels a difference.`}
        </p>
      </header>

      {open.length > 0 && (
        <section id="bench" aria-label="On the bench" className="flex scroll-mt-14 flex-col gap-4">
          {open.map((job) => (
            <Job key={job.id} job={job} />
          ))}
        </section>
      )}

      <div className="grid gap-x-8 gap-y-6 lg:grid-cols-[20rem_minmax(0,1fr)]">
        <Wanted form={form} tip={{ tipM: 10 * feet, tipKg: 50 * grains }} />
        <section aria-label="Plans" className="min-w-0" aria-live="polite">
          <h2 className="border-b border-ink pb-1 text-lg font-semibold">Ways to make it, best first</h2>
          {plan.error && Object.keys(plan.fields).length === 0 && <Message>{plan.error.message}</Message>}
          {!plan.data && !plan.error && <p className="late py-3 text-soft">Trying every cut…</p>}
          {plan.data && <Plans answer={plan.data} target={body.target} scraps={scraps.data ?? []} />}
        </section>
      </div>
      <Scraps scraps={scraps.data ?? []} open={open} />
      {made.length > 0 && (
        <section aria-label="Made here">
          <h2 className="border-b border-ink pb-1 text-lg font-semibold">Made here</h2>
          <ul>
            {made.map((j) => (
              <li key={j.id} className="border-b border-hair py-1">
                {saidDay(j.begunAt.slice(0, 10))}: {j.pieces.map((p) => p.piece.tag).join(', ')};{' '}
                {j.steps.filter((s) => s.massKg == null).length} cuts, {j.now && show(j.now.massKg, 'lineMass')}
              </li>
            ))}
          </ul>
        </section>
      )}
    </main>
  );
}

/** What the page opens on: a head of this length as a middling rod likes it of those that were bent; where none was, for no rod. */
function useFirstHead(headM: number) {
  const shed = useShed();
  const bent = (shed.data?.rods ?? [])
    .filter((r) => r.measuredClass != null)
    .sort((a, b) => a.measuredClass! - b.measuredClass!);
  const rodId = bent[Math.floor(bent.length / 2)]?.id ?? null;
  const head = useQuery({
    queryKey: key('headForRod', rodId, headM),
    queryFn: () => unwrap(api.GET('/api/cutting/head-for-rod', { params: { query: { rodId: rodId!, headM } } })),
    enabled: rodId !== null,
  });
  const settled = rodId === null ? !shed.isPending : !head.isPending;
  return { rodId: head.data ? rodId : null, massKg: head.data?.massKg, known: settled };
}

function Wanted({ form, tip }: { form: Form<Asked>; tip: { tipM: number; tipKg: number } }) {
  const { data: shed } = useShed();
  const { attempt, words } = useAttempt();
  // A rod says what a head of that length should weigh for it.
  const asItLikes = (rodId: number | null, headM: number) => {
    if (rodId === null) return;
    void attempt(async () => {
      const head = await unwrap(api.GET('/api/cutting/head-for-rod', { params: { query: { rodId, headM } } }));
      form.put('target.massKg', head.massKg);
    });
  };
  const rods = (shed?.rods ?? []).filter((r) => r.class != null).map(taggedName);
  const withTip = form.values.target.tipM != null;
  return (
    <section aria-label="Wanted" {...form.area}>
      <h2 className="border-b border-ink pb-1 text-lg font-semibold">Wanted</h2>
      <div className="mt-2 grid grid-cols-2 gap-2">
        <Measure
          of={form}
          at="target.lengthM"
          label="Head, all of it"
          kind="length"
          then={(lengthM) => asItLikes(form.lib.getValues('rodId'), lengthM!)}
        />
        <Measure of={form} at="target.massKg" label="Mass" kind="lineMass" />
        <div className="col-span-2">
          <Choice
            of={form}
            at="rodId"
            label="As this rod likes it"
            options={rods}
            none="for no rod in particular"
            then={(id) => asItLikes(id as number | null, form.lib.getValues('target.lengthM'))}
          />
        </div>
        <label className="col-span-2 flex items-center gap-2">
          <input
            type="checkbox"
            className="size-5 accent-(--ink)"
            checked={withTip}
            onChange={({ target }) => {
              form.put('target.tipM', target.checked ? tip.tipM : null);
              form.put('target.tipKg', target.checked ? tip.tipKg : null);
            }}
          />
          with a separate tip
        </label>
        {withTip && (
          <>
            <Measure of={form} at="target.tipM" label="Tip" kind="length" />
            <Measure of={form} at="target.tipKg" label="Its mass" kind="lineMass" />
          </>
        )}
      </div>
      <Message>{words}</Message>
      <Caution>
        Blades and heat: cut away from yourself on a board. Joining lines with heat, glue or UV resin wants fresh air,
        covered eyes and skin, and the maker’s sheet.
      </Caution>
    </section>
  );
}

type PlanProps = { target: CutTargetInput; scraps: Scrap[] };

function Plans({ answer, target, scraps }: PlanProps & { answer: PlanAnswer }) {
  const { plans, complete } = answer;
  return (
    <>
      {!complete && (
        <Caution>
          This drawer can be cut in more ways than are looked at. These are the best found; there may be better ones.
          Putting away what you would not use narrows it down.
        </Caution>
      )}
      {plans.length === 0 && complete && (
        <p className="py-3 text-soft">
          {answer.scraps === 0
            ? 'The drawer is empty, or everything in it is on the bench.'
            : 'No piece in the drawer is long enough for anything.'}
        </p>
      )}
      <ol>
        {plans.map((p, i) => (
          <Way
            key={i}
            plan={p}
            target={target}
            scraps={scraps}
            spanM={Math.max(target.lengthM, ...plans.map((q) => q.lengthM)) * 1.05}
            ratio={answer.rodRatios[i]}
          />
        ))}
      </ol>
      {plans.length > 0 && (
        <p className="rubric font-normal">
          Length to scale, fly end on the left, thickness exaggerated; upright line: a joint; dashed: the length wanted.
        </p>
      )}
    </>
  );
}

/** One way to make the head. */
function Way({
  plan: p,
  target,
  scraps,
  spanM,
  ratio,
}: PlanProps & { plan: CutPlan; spanM: number; ratio: number | undefined }) {
  const { show } = useUnits();
  const done = useDone();
  const scrapOf = (id: number) => scraps.find((s) => s.id === id);
  const tags = p.pieces.map((x) => scrapOf(x.scrapId)?.tag);
  const timesAs = (value: number) => show(value, 'ratio');
  const begin = async () => {
    const job = await unwrap(api.POST('/api/cutting/jobs', { body: { target, pieces: p.pieces } }));
    done('On the bench. Nothing is cut yet.', () =>
      unwrap(api.DELETE('/api/cutting/jobs/{id}', { params: { path: { id: job.id } } })),
    );
    requestAnimationFrame(() => document.getElementById('bench')?.scrollIntoView({ block: 'start' }));
  };
  return (
    <li className="border-b border-hair py-2" data-plan={tags.join('+')}>
      <HeadStrip
        profile={p.profile}
        joints={p.joints}
        names={tags.map((t) => t ?? '?')}
        spanM={spanM}
        wantedM={target.lengthM}
      />
      <div className="flex flex-wrap items-start gap-x-4">
        <div className="min-w-0 flex-1">
          <p className={p.felt ? 'font-semibold text-look' : 'font-semibold'}>
            <Say parts={p.says} />
          </p>
          <ul className="text-soft">
            {p.pieces.map((x, k) => (
              <li key={k}>
                <PieceWords piece={x} scrap={scrapOf(x.scrapId)} />
              </li>
            ))}
            {p.joints.map((j, k) => (
              <li key={`j${k}`} className={j.hinges || j.backwards || j.inTaper ? 'text-look' : ''}>
                joint at {show(metres(j.atM))}, over {show(j.overM, 'shortLength')}: {timesAs(j.ratio)} times as heavy
                behind it
                {j.hinges && ', will hinge'}
                {j.backwards && ', heavier on the fly side'}
                {j.inTaper && ', lies in a taper'}
              </li>
            ))}
            <li>
              {p.taperM > 0 ? `front taper left: ${show(metres(p.taperM))}` : 'no front taper: it lands hard'}
              {ratio !== undefined && `; ${timesAs(ratio)} of the rod’s class`}
            </li>
          </ul>
        </div>
        <button className="btn" onClick={() => void begin()}>
          Take to the bench
        </button>
      </div>
    </li>
  );
}

function Scraps({ scraps, open }: { scraps: Scrap[]; open: JobAnswer[] }) {
  const { show } = useUnits();
  const [edited, setEdited] = useState<number | 'new' | null>(null);
  const onBench = (id: number) => open.some((j) => j.pieces.some((p) => p.piece.scrapId === id));
  return (
    <section aria-label="Scraps">
      <header className="flex items-baseline justify-between border-b border-ink pb-1">
        <h2 className="text-lg font-semibold">
          Scraps <span className="font-normal text-soft">{scraps.length}</span>
        </h2>
        <button className="btn" onClick={() => setEdited('new')}>
          Add a scrap
        </button>
      </header>
      {scraps.length === 0 && (
        <p className="py-3 text-soft">
          Nothing here yet. Keep the next line you retire: its sound ends are heads to come.
        </p>
      )}
      <div className="overflow-x-auto">
        <table className="w-full [&_td]:pr-4">
          <tbody>
            {scraps.map((s) => (
              <tr key={s.id} className="border-t border-hair">
                <th scope="row" className="py-1 pr-3 text-left">
                  {s.tag}
                </th>
                <td>
                  {s.name}
                  {s.note && <span className="block text-sm text-soft italic">{s.note}</span>}
                </td>
                <td className="whitespace-nowrap">{show(metres(s.lengthM))}</td>
                <td className="whitespace-nowrap">{show(s.massKg, 'lineMass')}</td>
                <td className="whitespace-nowrap">{s.taperM ? `taper ${show(metres(s.taperM))}` : 'level'}</td>
                <td className="text-right whitespace-nowrap">
                  {onBench(s.id) && <b className="mr-2">on the bench</b>}
                  <EditButton tag={s.tag} onPress={() => setEdited(s.id)} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <AwayList
        what="scraps"
        list={() => unwrap(api.GET('/api/shed/scraps/away'))}
        nameOf={(p) => `${p.tag} ${p.name}`}
        bringBack={(id) => bringBack('scraps', id)}
      />
      {edited !== null && (
        <GearForm kind="scraps" id={edited === 'new' ? null : edited} onClose={() => setEdited(null)} />
      )}
    </section>
  );
}

function PieceWords({ piece, scrap }: { piece: CutPlan['pieces'][number]; scrap: Scrap | undefined }) {
  const { show } = useUnits();
  if (!scrap) return null;
  const [front, back] = [piece.fromM, scrap.lengthM - piece.toM];
  const cuts = [
    front > 0.001 && `${show(metres(front))} off its front`,
    back > 0.001 && `${show(metres(back))} off its back`,
  ].filter(Boolean);
  return (
    <>
      <b className="text-ink">{scrap.tag}</b> {scrap.name}: {cuts.length === 0 ? 'whole' : `cut ${cuts.join(' and ')}`}
      {piece.turned && ', turned round'}
    </>
  );
}
