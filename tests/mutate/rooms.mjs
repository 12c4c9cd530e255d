// Which tests of the core look at which room. A change is looked for by these alone: a rule's test stands with its room.
const rooms = {
  Briefs: ['MatchingTests', 'RulesTests', 'WorkedAnswersTests'],
  Care: ['CareTests'],
  Casting: ['CastFiguresTests', 'CastingTests', 'CasterTests'],
  Cutting: ['CuttingTests', 'CutJobTests'],
  Depth: ['DepthTests', 'ReferenceTests'],
  Flies: ['MatchingTests', 'StandardsTests'],
  Leaders: ['LeaderTests'],
  Lines: ['LineBenchTests', 'TackleTests'],
  Logbook: ['LogbookTests', 'LearningTests'],
  Matching: ['MatchingTests', 'MatchSessionTests', 'GuideTests', 'TackleTests', 'CustomaryTests', 'RulesTests', 'WorkedAnswersTests'],
  Measures: ['MeasuresTests'],
  Reels: ['ReelTests', 'WindingTests', 'FishFightTests', 'RunTests'],
  Rigging: ['RiggingTests'],
  Rods: ['RodBenchTests', 'FightTests'],
  Shed: ['GearLabelTests'],
  Standards: ['StandardsTests', 'RuleBookTests'],
  Trips: ['WorkedAnswersTests', 'TripTests', 'KitTests', 'FirstOutfitTests'],
};

/** Classes that take seconds: they are asked only where the quick ones noticed nothing. */
const slow = new Set(
  'CastingTests CuttingTests DepthTests FirstOutfitTests GuideTests KitTests LearningTests MatchingTests RodBenchTests RulesTests RunTests TripTests'.split(
    ' ',
  ),
);

/** The quick ones of a room's tests, then the others. */
export function inTurn(room) {
  const all = testsOf(room);
  return [all.filter((c) => !slow.has(c)), all.filter((c) => slow.has(c))].filter((some) => some.length > 0);
}

export function testsOf(room) {
  if (!(room in rooms)) throw new Error(`There is no room ${room}: ${Object.keys(rooms).join(', ')}.`);
  return [...rooms[room], 'LimitsTests', 'ThumbRulesTests'];
}
