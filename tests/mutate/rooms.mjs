// Which tests of the core look at which room. A change is looked for by these alone: a rule's test stands with its room.
const rooms = {
  Briefs: ['MatchingTests', 'RulesTests'],
  Care: ['CareTests'],
  Casting: ['CastFiguresTests', 'CastingTests', 'CasterTests'],
  Cutting: ['CuttingTests', 'CutJobTests'],
  Depth: ['DepthTests', 'ReferenceTests'],
  Flies: ['MatchingTests', 'StandardsTests'],
  Leaders: ['LeaderTests'],
  Lines: ['LineBenchTests', 'TackleTests'],
  Logbook: ['LogbookTests', 'LearningTests'],
  Matching: ['MatchingTests', 'MatchSessionTests', 'GuideTests', 'TackleTests', 'CustomaryTests', 'RulesTests'],
  Measures: ['MeasuresTests'],
  Reels: ['ReelTests', 'WindingTests', 'FishFightTests', 'RunTests'],
  Rigging: ['RiggingTests'],
  Rods: ['RodBenchTests', 'FightTests'],
  Shed: ['GearLabelTests'],
  Standards: ['StandardsTests', 'RuleBookTests'],
  Trips: ['TripTests', 'KitTests', 'FirstOutfitTests'],
};

export function testsOf(room) {
  if (!(room in rooms)) throw new Error(`There is no room ${room}: ${Object.keys(rooms).join(', ')}.`);
  return [...rooms[room], 'LimitsTests', 'ThumbRulesTests'];
}
