import { useState } from 'react';
import type { Frame } from '../rooms/briefs/frame';
import { Again, Amount, Choice, Day, Steps, Text, Tick } from '../ui/fields';
import { saveFile } from '../ui/files';
import { useForm } from '../ui/form';
import { recallParts, remember } from '../ui/remember';
import { beginning, document, entryOf, fileName, newKey, type Entered, type Entry } from './entry';

const keptHere = (count: number) =>
  count === 0 ? 'Nothing kept here yet.' : count === 1 ? 'One entry is kept here.' : `${count} entries are kept here.`;

/** Notes the day on a saved page: what is entered stays on the phone, and a file is handed over for the log. */
export function WaterForm({ frame }: { frame: Frame }) {
  const { choices, distance, wind, place } = frame;
  const [held, setHeld] = useState(() => recallParts<Entry[]>(place, []));
  const [given, setGiven] = useState(0);
  const [said, setSaid] = useState('');
  const form = useForm<Entered>(place, beginning(frame, new Date()));
  const hold = (entries: Entry[]) => {
    setHeld(entries);
    remember(place, JSON.stringify(entries));
    return recallParts<Entry[]>(place, []).length === entries.length;
  };
  const keep = () =>
    form.keep(async (day) => {
      const stays = hold([...held, entryOf(frame, day, newKey())]);
      form.startOver();
      setSaid(
        stays ? 'Kept.' : 'This browser keeps nothing for pages from files: hand the file over before you close it.',
      );
    });
  const give = () => {
    saveFile(fileName(new Date()), document(held), 'application/json');
    setGiven(held.length);
  };
  const forget = () => {
    hold(held.slice(given));
    setGiven(0);
  };
  const like = (what: string) => `That is no number. Type ${what}.`;
  return (
    <section aria-label="Note the day" className="mt-8 max-w-xl border-t-2 border-ink pt-3 print:hidden">
      <h2 className="text-xl font-semibold">Note the day</h2>
      <p className="mb-3 text-soft">
        Works without a network. What you enter stays on this phone; hand the file over at home, under Log, “From the
        water”.
      </p>
      <form
        {...form.area}
        className="grid grid-cols-2 items-end gap-3 [&>*]:min-w-0"
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <div className="col-span-2">
          <Again form={form} />
        </div>
        <Day of={form} at="on" label="Day" />
        <Amount of={form} at="hours" label="Hours" like={like('hours, such as 3.5')} />
        <Text of={form} at="place" label="Place" maxLength={80} className="col-span-2" />
        <Amount of={form} at="wind" label={`Wind, ${wind.unit}`} like={like('the wind, such as 12')} />
        <Choice
          of={form}
          at="from"
          label="It came"
          options={choices.windFrom.map((w) => ({ id: w.deg, name: w.ofMe }))}
        />
        <div className="col-span-2">
          <Choice of={form} at="feel" label="How the rod felt" options={choices.feel} none="not said" />
        </div>
        <Steps of={form} at="landed" label="Fish landed" words={(n) => `${n} landed`} to={999} />
        <Steps
          of={form}
          at="knots"
          label="Wind knots"
          words={(n) => `${n} wind ${n === 1 ? 'knot' : 'knots'}`}
          to={99}
        />
        <Choice of={form} at="loss" label="Lost to" options={choices.loss} none="nothing" />
        <Steps
          of={form}
          at="lost"
          label="How often"
          words={(n) => (n === 1 ? 'once' : `${n} times`)}
          from={1}
          to={99}
        />
        <Amount of={form} at="cast" label={`A cast, ${distance.unit}`} like={like('how far, such as 60')} />
        <Amount of={form} at="carry" label={`Carried, ${distance.unit}`} like={like('how much line, such as 33')} />
        <Choice of={form} at="by" label="Found by" options={choices.distanceBy} />
        <Tick of={form} at="allOut" label="as far as I could" />
        <Text of={form} at="note" label="Note" rows={3} maxLength={2000} className="col-span-2" />
        <button type="submit" className="btn col-span-2 min-h-[48px] bg-ink! text-paper!">
          Keep it on this phone
        </button>
      </form>
      <p role="status" className="min-h-6 font-semibold">
        {said}
      </p>
      <p>{keptHere(held.length)}</p>
      <div className="mt-2 flex flex-wrap gap-3">
        <button type="button" className="btn min-h-[48px]" disabled={held.length === 0} onClick={give}>
          Hand over the file
        </button>
        {given > 0 && (
          <button type="button" className="btn min-h-[48px]" onClick={forget}>
            Forget what was handed over
          </button>
        )}
      </div>
    </section>
  );
}
