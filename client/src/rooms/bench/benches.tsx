import type { ComponentType } from 'react';
import type { LinkId } from '../../api/client';
import { CastingBench } from '../casting/CastingBench';
import { FlyBench } from '../flies/FlyBench';
import { LeaderBench } from '../leaders/LeaderBench';
import { TippetBench } from '../leaders/TippetBench';
import { HeadTabs } from './HeadTabs';
import { RunningBench } from '../lines/RunningBench';
import { BackingBench } from '../reels/BackingBench';
import { ReelBench } from '../reels/ReelBench';
import { RodBench } from '../rods/RodBench';
import type { BenchProps } from '../shared/bench';

/** Each link's bench stands in the room of its trade. */
export const benches: Record<LinkId, ComponentType<BenchProps>> = {
  fly: FlyBench,
  tippet: TippetBench,
  leader: LeaderBench,
  head: HeadTabs,
  running: RunningBench,
  backing: BackingBench,
  reel: ReelBench,
  rod: RodBench,
  hand: CastingBench,
};
