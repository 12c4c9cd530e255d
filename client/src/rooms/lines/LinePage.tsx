import { useQuery } from '@tanstack/react-query';
import { api, unwrap, type FlyLine, type Solution } from '../../api/client';
import { key } from '../../api/keys';
import { metres, useUnits } from '../../ui/units';
import { Message } from '../../ui/Message';
import { MeasurePage } from '../shared/MeasurePage';
import { ProfileTab } from './ProfileTab';
import { WeighTab } from './WeighTab';

/** One line, weighed and measured. */
export function LinePage() {
  return (
    <MeasurePage
      kind="lines"
      known={(line) => <Known line={line} />}
      tabs={(line, _, today) => [
        { id: 'weigh', name: 'Weigh it', body: () => <WeighTab line={line} /> },
        { id: 'profile', name: 'Profile', body: () => <Profile line={line} today={today} /> },
      ]}
    />
  );
}

function Profile({ line, today }: { line: FlyLine; today: Solution | null }) {
  const { standards } = useUnits();
  const profile = useQuery({
    queryKey: key('profile', line),
    queryFn: () => unwrap(api.GET('/api/lines/{id}/profile', { params: { path: { id: line.id } } })),
  });
  if (profile.error) return <Message>{profile.error.message}</Message>;
  if (!profile.data) return <p>Laying the line out…</p>;
  return (
    <ProfileTab
      line={line}
      start={profile.data.stretches}
      guessed={profile.data.guessed}
      carried={today?.outfit.carryM ?? standards.thirtyFeetM}
    />
  );
}

/** Label beside weight, in a line. */
function Known({ line }: { line: FlyLine }) {
  const { show } = useUnits();
  return (
    <>
      {line.printedClass == null ? 'no label' : `label says ${show(line.printedClass, 'lineClass')}`}, head{' '}
      {show(metres(line.headM))},{' '}
      {line.massKg == null ? (
        <b className="text-look">nobody knows what it weighs</b>
      ) : (
        <b className={line.headKg == null ? '' : 'text-ink'}>
          {show({ value: line.massKg, kind: 'lineMass', plusMinus: line.headPlusMinusKg ?? null })} of head
          {line.headKg == null ? ', by its label only' : ', weighed'}
        </b>
      )}
      {line.measured ? ', profile measured' : ''}
    </>
  );
}
