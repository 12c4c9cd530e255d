import { Tabs } from '../../ui/Tabs';
import { DepthBench } from '../depth/DepthBench';
import { LinesForDays } from '../depth/LinesForDays';
import { HeadBench } from '../lines/HeadBench';
import type { BenchProps } from '../shared/bench';

/** The head: what loads the rod, how deep it fishes the fly, and which lines serve all briefs. */
export function HeadTabs(props: BenchProps) {
  return (
    <Tabs
      label="The head"
      tabs={[
        { id: 'load', name: 'Load', body: () => <HeadBench {...props} /> },
        { id: 'depth', name: 'Depth', body: () => <DepthBench {...props} /> },
        { id: 'days', name: 'All briefs', body: () => <LinesForDays /> },
      ]}
    />
  );
}
