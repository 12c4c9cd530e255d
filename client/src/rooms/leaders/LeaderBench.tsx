import { LeaderDrawing } from '../../drawing/LeaderDrawing';
import { MeasureField } from '../../ui/TypedField';
import { rodLength, useUnits } from '../../ui/units';
import { PinFields, type BenchProps } from '../shared/bench';

/** The leader, piece by piece. */
export function LeaderBench({ work, solution }: BenchProps) {
  const { leader, rod } = solution.outfit;
  const { show } = useUnits();
  return (
    <>
      <LeaderDrawing leader={leader} rodM={rod.lengthM} />
      <table className="my-3 w-full max-w-xl">
        <caption className="rubric text-left">From the line to the fly</caption>
        <thead>
          <tr className="rubric text-left">
            <th scope="col">piece</th>
            <th scope="col">length</th>
            <th scope="col">from</th>
            <th scope="col">to</th>
          </tr>
        </thead>
        <tbody>
          {leader.pieces.map((piece) => (
            <tr key={piece.name} className="border-t border-hair">
              <td className="py-1">{piece.name}</td>
              <td>{show(rodLength(piece.lengthM))}</td>
              <td>{show({ value: piece.startM, kind: 'diameter', plusMinus: null })}</td>
              <td>{show({ value: piece.endM, kind: 'diameter', plusMinus: null })}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <PinFields>
        <MeasureField
          label="Pin a length"
          kind="rodLength"
          value={work.pins.leaderM ?? leader.lengthM}
          solved={work.pins.leaderM == null}
          problem={work.problems['pins.leaderM']}
          said={work.pins.said?.leaderM}
          onChange={(leaderM, said) => work.setPins('leaderM', { leaderM }, said)}
        />
      </PinFields>
    </>
  );
}
