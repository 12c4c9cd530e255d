import { HeadProfile } from '../../drawing/HeadProfile';
import { LoadBar } from '../../drawing/LoadBar';
import { Facts } from '../../ui/Facts';
import { Pick } from '../../ui/Pick';
import { carried, useUnits } from '../../ui/units';
import { PinFields, type BenchProps } from '../shared/bench';
import { Candidates } from '../shared/Candidates';

/** The head in the rod's grain window, among the lines of the shed. */
export function HeadBench({ work, solution }: BenchProps) {
  const { outfit } = solution;
  const { show, standards } = useUnits();
  const { load, line } = outfit;
  const wanted = [{ id: 'free', name: 'as the depth asks' }, ...standards.densities];
  return (
    <>
      <HeadProfile stretches={line.stretches} headM={line.headM} carryM={outfit.carryM} />
      <Facts
        rows={[
          ['head', show(line.massKg ?? 0, 'lineMass')],
          ['judged', `${show(load.lineKg, 'lineMass')} in ${show(carried(load.judgedM))}`],
          ['load, with the fly', `${show(load.ratio, 'ratio')} of class ${show(load.windowClass, 'lineClass')}`],
          ['the line by itself', `${show(load.lineRatio, 'ratio')}, where ${show(load.ideal, 'ratio')} feels best`],
        ]}
      />
      <PinFields>
        <Pick
          label="Density"
          value={work.pins.density ?? 'free'}
          options={wanted}
          onChange={(id) => work.setPins('density', { density: id === 'free' ? null : id })}
        />
      </PinFields>
      <Candidates
        kind="lines"
        link="head"
        work={work}
        pinned={work.pins.line}
        onPin={(line) => work.setPins('line', { line })}
        drawing={(c) => <LoadBar ratio={c.value} ideal={load.ideal} window={load.window} />}
        legend="Bar: the rod's window; upright line: what feels best; diamond: this line and the fly."
      />
    </>
  );
}
