import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, unwrap, type CutPlan, type CutTargetInput, type Scrap } from '../../api/client';
import { useAsk } from '../../api/useAsk';
import { useAttempt } from '../../api/useAttempt';
import { HeadStrip } from '../../drawing/HeadStrip';
import { Pick } from '../../ui/Pick';
import { Say } from '../../ui/Say';
import { MeasureField } from '../../ui/TypedField';
import { useDone } from '../../ui/toast';
import { metres, useUnits } from '../../ui/units';
import { Caution, Message } from '../../ui/Message';
import { EditButton } from '../shared/EditButton';
import { GearForm } from '../shared/GearForm';
import { bringBack, useRefreshGear, useShed } from '../../state/gear';
import { AwayList } from '../shared/AwayList';
import { Job } from './Job';

const none = 'none';

/** A head from scraps: what is wanted, every way to cut it, and the bench it is cut on. */
export function CuttingPage() {
  const { show, standards } = useUnits();
  const trade = (kind: 'length' | 'lineMass') => standards.units.find((u) => u.kind === kind)!.trade.scale;
  const { data: shed } = useShed();
  const scraps = useQuery({ queryKey: ['scraps'], queryFn: () => unwrap(api.GET('/api/shed/scraps')) });
  const jobs = useQuery({ queryKey: ['jobs'], queryFn: () => unwrap(api.GET('/api/cutting/jobs')) });
  const [target, setTarget] = useState<CutTargetInput>({
    lengthM: 25 * trade('length'),
    massKg: 220 * trade('lineMass'),
    tipM: null,
    tipKg: null,
  });
  const [rodId, setRodId] = useState(none);
  const [form, setForm] = useState<number | 'new' | null>(null);
  const { attempt, words } = useAttempt();
  const body = { target, rodId: rodId === none ? null : Number(rodId) };
  const plan = useAsk(
    ['plan', body, scraps.dataUpdatedAt, jobs.dataUpdatedAt],
    (signal) => unwrap(api.POST('/api/cutting/plan', { body, signal })),
    scraps.isSuccess,
  );
  const again = useRefreshGear();
  const done = useDone(again);
  const forRod = async (id: string, lengthM: number) => {
    setRodId(id);
    if (id === none) return;
    await attempt(async () => {
      const head = await unwrap(
        api.GET('/api/cutting/head-for-rod', { params: { query: { rodId: Number(id), headM: lengthM } } }),
      );
      setTarget((t) => ({ ...t, lengthM, massKg: head.massKg }));
    });
  };
  const set = (next: Partial<CutTargetInput>) => setTarget((t) => ({ ...t, ...next }));
  const word = (f: string) => plan.fields[`target.${f}`];
  const open = jobs.data?.filter((j) => j.lineId == null) ?? [];
  const made = jobs.data?.filter((j) => j.lineId != null) ?? [];
  const byId = new Map((scraps.data ?? []).map((s) => [s.id, s]));

  const begin = (chosen: CutPlan) =>
    attempt(async () => {
      const job = await unwrap(api.POST('/api/cutting/jobs', { body: { target, pieces: chosen.pieces } }));
      await done('On the bench. Nothing is cut yet.', () =>
        unwrap(api.DELETE('/api/cutting/jobs/{id}', { params: { path: { id: job.id } } })),
      );
      requestAnimationFrame(() => document.getElementById('bench')?.scrollIntoView({ block: 'start' }));
    });

  return (
    <main id="main" className="mx-auto flex max-w-[84rem] flex-col gap-6 px-5 py-3">
      <header>
        <p className="rubric">Drawer</p>
        <h1 className="text-2xl leading-tight font-semibold">A head from old lines</h1>
        <p className="text-soft">
          Every cut of one piece and every order of two or three is looked at.{' '}
          {plan.data &&
            `Within ${show({ value: plan.data.unfeltKg, kind: 'lineMass', plusMinus: null })} and ${show(metres(plan.data.unfeltM))} nobody feels a difference.`}
        </p>
      </header>

      {open.length > 0 && (
        <section id="bench" aria-label="On the bench" className="flex scroll-mt-14 flex-col gap-4">
          {open.map((job) => (
            <Job key={job.id} job={job} onChanged={again} />
          ))}
        </section>
      )}

      <div className="grid gap-x-8 gap-y-6 lg:grid-cols-[20rem_minmax(0,1fr)]">
        <section aria-label="Wanted">
          <h2 className="border-b border-ink pb-1 text-lg font-semibold">Wanted</h2>
          <div className="mt-2 grid grid-cols-2 gap-2">
            <MeasureField
              label="Head, all of it"
              kind="length"
              value={target.lengthM}
              problem={word('lengthM')}
              onChange={(lengthM) => (rodId === none ? set({ lengthM }) : void forRod(rodId, lengthM))}
            />
            <MeasureField
              label="Mass"
              kind="lineMass"
              value={target.massKg}
              problem={word('massKg')}
              onChange={(massKg) => set({ massKg })}
            />
            <div className="col-span-2">
              <Pick
                label="As this rod likes it"
                value={rodId}
                options={[
                  { id: none, name: 'for no rod in particular' },
                  ...(shed?.rods ?? [])
                    .filter((r) => r.class != null)
                    .map((r) => ({ id: String(r.id), name: `${r.tag} ${r.name}` })),
                ]}
                onChange={(id) => void forRod(id, target.lengthM)}
              />
            </div>
            <label className="col-span-2 flex items-center gap-2">
              <input
                type="checkbox"
                className="size-5 accent-(--ink)"
                checked={target.tipM != null}
                onChange={(e) =>
                  set(
                    e.target.checked
                      ? { tipM: 10 * trade('length'), tipKg: 50 * trade('lineMass') }
                      : { tipM: null, tipKg: null },
                  )
                }
              />
              with a separate tip
            </label>
            {target.tipM != null && (
              <>
                <MeasureField
                  label="Tip"
                  kind="length"
                  value={target.tipM}
                  problem={word('tipM')}
                  onChange={(tipM) => set({ tipM })}
                />
                <MeasureField
                  label="Its mass"
                  kind="lineMass"
                  value={target.tipKg}
                  problem={word('tipKg')}
                  onChange={(tipKg) => set({ tipKg })}
                />
              </>
            )}
          </div>
          <Message>{words}</Message>
          <Caution>
            Blades and heat: cut away from yourself on a board. Joining lines with heat, glue or UV resin wants fresh
            air, covered eyes and skin, and the maker’s sheet.
          </Caution>
        </section>

        <section aria-label="Plans" className="min-w-0" aria-live="polite">
          <h2 className="border-b border-ink pb-1 text-lg font-semibold">Ways to make it, best first</h2>
          {plan.error && Object.keys(plan.fields).length === 0 && <Message>{plan.error.message}</Message>}
          {plan.data?.complete === false && (
            <Caution>
              This drawer can be cut in more ways than could be looked at in the time. These are the best found; there
              may be better ones. Putting away what you would not use narrows it down.
            </Caution>
          )}
          {plan.data?.plans.length === 0 && plan.data.complete && (
            <p className="py-3 text-soft">
              {plan.data.scraps === 0
                ? 'The drawer is empty, or everything in it is on the bench.'
                : 'No piece in the drawer is long enough for anything.'}
            </p>
          )}
          {!plan.data && !plan.error && <p className="late py-3 text-soft">Trying every cut…</p>}
          <ol>
            {plan.data?.plans.map((p, i) => (
              <li
                key={i}
                className="border-b border-hair py-2"
                data-plan={p.pieces.map((x) => byId.get(x.scrapId)?.tag).join('+')}
              >
                <HeadStrip
                  profile={p.profile}
                  joints={p.joints}
                  names={p.pieces.map((x) => byId.get(x.scrapId)?.tag ?? '?')}
                  spanM={Math.max(target.lengthM, ...plan.data!.plans.map((q) => q.lengthM)) * 1.05}
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
                          <PieceWords piece={x} scrap={byId.get(x.scrapId)} />
                        </li>
                      ))}
                      {p.joints.map((j, k) => (
                        <li key={`j${k}`} className={j.hinges || j.backwards || j.inTaper ? 'text-look' : ''}>
                          joint at {show(metres(j.atM))}, over{' '}
                          {show({ value: j.overM, kind: 'shortLength', plusMinus: null })}:{' '}
                          {show({ value: j.ratio, kind: 'ratio', plusMinus: null })} times as heavy behind it
                          {j.hinges && ', will hinge'}
                          {j.backwards && ', heavier on the fly side'}
                          {j.inTaper && ', lies in a taper'}
                        </li>
                      ))}
                      <li>
                        {p.taperM > 0 ? `front taper left: ${show(metres(p.taperM))}` : 'no front taper: it lands hard'}
                        {plan.data!.rodRatios[i] !== undefined &&
                          `; ${show({ value: plan.data!.rodRatios[i], kind: 'ratio', plusMinus: null })} of the rod’s class`}
                      </li>
                    </ul>
                  </div>
                  <button className="btn" onClick={() => void begin(p)}>
                    Take to the bench
                  </button>
                </div>
              </li>
            ))}
          </ol>
          {plan.data && plan.data.plans.length > 0 && (
            <p className="rubric font-normal">
              Length to scale, fly end on the left, thickness exaggerated; upright line: a joint; dashed: the length
              wanted.
            </p>
          )}
        </section>
      </div>

      <section aria-label="Scraps">
        <header className="flex items-baseline justify-between border-b border-ink pb-1">
          <h2 className="text-lg font-semibold">
            Scraps <span className="font-normal text-soft">{scraps.data?.length ?? 0}</span>
          </h2>
          <button className="btn" onClick={() => setForm('new')}>
            Add a scrap
          </button>
        </header>
        {scraps.data?.length === 0 && (
          <p className="py-3 text-soft">
            Nothing here yet. Keep the next line you retire: its sound ends are heads to come.
          </p>
        )}
        <div className="overflow-x-auto">
          <table className="w-full">
            <tbody>
              {scraps.data?.map((s) => (
                <tr key={s.id} className="border-t border-hair">
                  <th scope="row" className="py-1 pr-3 text-left">
                    {s.tag}
                  </th>
                  <td className="pr-4">
                    {s.name}
                    {s.note && <span className="block text-sm text-soft italic">{s.note}</span>}
                  </td>
                  <td className="pr-4 whitespace-nowrap">{show(metres(s.lengthM))}</td>
                  <td className="pr-4 whitespace-nowrap">
                    {show({ value: s.massKg, kind: 'lineMass', plusMinus: null })}
                  </td>
                  <td className="pr-4 whitespace-nowrap">{s.taperM ? `taper ${show(metres(s.taperM))}` : 'level'}</td>
                  <td className="text-right whitespace-nowrap">
                    {open.some((j) => j.pieces.some((p) => p.piece.scrapId === s.id)) && (
                      <b className="mr-2">on the bench</b>
                    )}
                    <EditButton tag={s.tag} onPress={() => setForm(s.id)} />
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
          onBack={again}
        />
      </section>

      {made.length > 0 && (
        <section aria-label="Made here">
          <h2 className="border-b border-ink pb-1 text-lg font-semibold">Made here</h2>
          <ul>
            {made.map((j) => (
              <li key={j.id} className="border-b border-hair py-1">
                {new Date(j.begunAt).toLocaleDateString('en-GB', { day: 'numeric', month: 'long' })}:{' '}
                {j.pieces.map((p) => p.piece.tag).join(', ')}; {j.steps.filter((s) => s.massKg == null).length} cuts,{' '}
                {j.now && show({ value: j.now.massKg, kind: 'lineMass', plusMinus: null })}
              </li>
            ))}
          </ul>
        </section>
      )}
      {form !== null && <GearForm kind="scraps" id={form === 'new' ? null : form} onClose={() => setForm(null)} />}
    </main>
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
