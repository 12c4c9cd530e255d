using System.Globalization;
using ZingCast.Core.Care;
using ZingCast.Core.Leaders;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Shed;

namespace ZingCast.Core.Trips;

/// <summary>Something to pack.</summary>
/// <param name="Key">What a tick is kept under; the same for the same thing each time.</param>
/// <param name="Says">What it is.</param>
/// <param name="ToBuy">Nobody here has it.</param>
public sealed record PackItem(string Key, Sentence Says, bool ToBuy = false);

/// <summary>A group of things to pack.</summary>
public sealed record PackGroup(string Name, IReadOnlyList<PackItem> Items);

/// <summary>A line that has to be on a reel.</summary>
/// <param name="Reel">The reel.</param>
/// <param name="Line">The line.</param>
/// <param name="Rods">Tags of the rods it is for.</param>
/// <param name="Minutes">How long it takes; 0 when it lies there already.</param>
/// <param name="Says">What has to be done.</param>
/// <param name="Backing">Kind of backing planned under it.</param>
/// <param name="BackingM">How much of it, metres.</param>
public sealed record SpoolTask(
    TripPiece Reel,
    TripPiece Line,
    IReadOnlyList<string> Rods,
    int Minutes,
    Sentence Says,
    string Backing,
    double BackingM
)
{
    /// <summary>Whether it has to be wound; otherwise it is there already, or a spool is changed.</summary>
    public bool ToWind => Minutes > SpoolWork.SwapMinutes;
}

/// <summary>Something to do before leaving or after returning.</summary>
/// <param name="Key">Stable.</param>
/// <param name="On">The day; null while nobody knows when one leaves.</param>
/// <param name="Before">Days before one leaves; below 0 for after.</param>
/// <param name="Says">What.</param>
public sealed record PrepTask(string Key, DateOnly? On, int Before, Sentence Says);

/// <summary>What to pack, wind and tie, and when, for the kit of a trip.</summary>
/// <param name="Groups">What to pack.</param>
/// <param name="Spools">Which line on which reel.</param>
/// <param name="Tying">Leaders to tie, as lengths to cut.</param>
/// <param name="Tasks">What to do and when, in order.</param>
/// <param name="Mind">What to mind, those that a day sets off first.</param>
/// <param name="Care">What to see to before one leaves, of what comes along.</param>
public sealed record PackingList(
    IReadOnlyList<PackGroup> Groups,
    IReadOnlyList<SpoolTask> Spools,
    TyingList Tying,
    IReadOnlyList<PrepTask> Tasks,
    IReadOnlyList<Remark> Mind,
    IReadOnlyList<CareItem> Care
)
{
    // Number of flies to try for a wary fish and for any other. Common practice: six or seven, and three or four.
    private const int WaryChanges = 7,
        Changes = 4;

    // Two of each leader: one in use and a spare.
    private const int LeadersEach = 2;

    // Days before leaving at which things are done: an order may take three weeks.
    private const int OrderBefore = 21,
        CheckBefore = 7,
        WindBefore = 4,
        TieBefore = 1;

    // Minutes to wind a line with backing when it is unknown what is on the spools. Common practice.
    private const int WindMinutes = 30;

    private static readonly PackItem[] Tools =
    [
        new("tool-nippers", $"nippers on a cord"),
        new("tool-pliers", $"long pliers, to crush barbs and cut wire"),
        new("tool-forceps", $"forceps or a hook remover, and a wet hand: release tools, or a priest where local rules ask for it"),
        new("tool-file", $"hook file"),
        new("tool-eyes", $"eye protection and a brim, for everybody near"),
        new("tool-net", $"net with a soft mesh"),
        new("tool-knots", $"loop connectors, needle and superglue for a broken loop"),
    ];

    private static readonly PackItem[] Spares =
    [
        new("spare-licence", $"licence and the local rules, read"),
        new("spare-light", $"headlamp, charged"),
        new("spare-first-aid", $"first-aid kit, with what takes a hook out"),
        new("spare-tip", $"tip-ring glue and tape for a broken ring"),
        new("spare-line-cleaner", $"line cleaner and a cloth"),
        new("spare-water", $"staff, belt or life jacket, as the water asks"),
    ];

    /// <summary>For a plan with a kit; an empty list without one.</summary>
    public static PackingList For(TripScores scores, TripPlan plan, DateOnly? leavesOn, CareList? care = null)
    {
        if (plan is not { Kit: { } kit, Taken: { } taken } || scores.Days.Count == 0)
            return new([], [], TyingList.For([], []), [], [], []);
        var days = Enumerable
            .Range(0, scores.Days.Count)
            .Where(d => plan.Coverage.Days[d].Best is not null)
            .Select(d => (Day: scores.Days[d], Choice: Best(scores, taken, d)))
            .ToList();
        var spools = taken.Wound.Select(w => Task(scores, plan, taken, w, days)).ToList();
        var leaders = Leaders(scores, days);
        var tying = TyingList.For([.. leaders.SelectMany(l => Enumerable.Repeat(l, LeadersEach))], scores.Shed.LeaderSpools);
        PackItem Piece(string kind, TripPiece p) => new(Key(kind, p), p.Says, p.ToBuy);
        PackGroup[] groups =
        [
            new("Rods", [.. kit.Rods.Select(p => Piece("rod", p))]),
            new("Reels and lines", [.. taken.Reels.Select(e => Reel(scores, plan, e)), .. kit.Lines.Select(p => Piece("line", p))]),
            new("Leaders", [.. leaders.Select(LeaderItem)]),
            new("Tippet", [.. Tippets(tying, leaders)]),
            new("Flies", [.. Flies(days)]),
            new("Tools", Tools),
            new("And", Spares),
        ];
        var seeTo = care?.Before(leavesOn, i => ComesAlong(i, kit, scores.Shed)) ?? [];
        return new(
            [.. groups.Where(g => g.Items.Count > 0)],
            spools,
            tying,
            Timetable(kit, spools, leaders.Count, seeTo, scores, leavesOn),
            Minded(scores, days),
            seeTo
        );
    }

    private static bool ComesAlong(CareItem item, KitShort kit, GearShed shed)
    {
        bool Among(IEnumerable<TripPiece> pieces, int id) => pieces.Any(p => p.Id == id);
        return item.Task.Piece switch
        {
            CarePiece.Rod => Among(kit.Rods, item.PieceId),
            CarePiece.Line => Among(kit.Lines, item.PieceId),
            CarePiece.Reel => Among(kit.Reels, item.PieceId),
            CarePiece.Backing => shed.Spools.Any(s => s.Id == item.PieceId && Among(kit.Reels, s.ReelId)),
            CarePiece.Flies => true,
            _ => false,
        };
    }

    private static Choice Best(TripScores scores, Kit taken, int day)
    {
        var (rod, on) = taken.Rods.SelectMany(r => taken.Wound.Select(w => (r, w))).MaxBy(o => scores.At(day, o.r, o.w));
        return scores.ChoiceFor(day, rod, on);
    }

    private static PackItem Reel(TripScores scores, TripPlan plan, int reel)
    {
        var piece = TripPlan.Piece(scores, scores.Pool.Reels[reel], 0);
        var spools = plan.Taken!.Wound.Count(w => w.Reel == reel);
        return new(
            Key("reel", piece),
            spools > 1 ? $"{piece.Says} with {spools - 1} spare {(spools == 2 ? "spool" : "spools")}" : piece.Says,
            piece.ToBuy
        );
    }

    private static SpoolTask Task(TripScores scores, TripPlan plan, Kit taken, Wound on, IReadOnlyList<(TripDay Day, Choice Choice)> days)
    {
        var (line, reel) = (scores.Pool.Lines[on.Line], scores.Pool.Reels[on.Reel]);
        // The backing of the day that needs most.
        var its = days.Where(d => d.Choice.Outfit.Line.Id == line.Id).Select(d => d.Choice.Outfit).ToList();
        var most = its.MaxBy(o => o.BackingM) ?? scores.ChoiceFor(0, taken.Rods[0], on).Outfit;
        var work = SpoolWork.For(scores.Shed, reel, line, most.Backing, most.BackingM);
        return new(
            TripPlan.Piece(scores, reel, 0),
            TripPlan.Piece(scores, line, 0),
            [.. its.Select(o => o.Rod.Tag).Distinct()],
            work?.Minutes ?? WindMinutes,
            work?.Says ?? $"wind {line.Tag} on {reel.Tag} over {Quantity.Spooled(most.BackingM)} of {most.Backing.Name}",
            most.Backing.Id,
            most.BackingM
        );
    }

    // One of each length and tippet, rounded to half a foot and an X.
    private static List<TiedLeader> Leaders(TripScores scores, IReadOnlyList<(TripDay Day, Choice Choice)> days)
    {
        List<TiedLeader> all = [];
        foreach (var (day, choice) in days)
        {
            var outfit = choice.Outfit;
            var leader = outfit.Leader;
            if (
                all.Any(l =>
                    Math.Abs(l.Leader.LengthM - leader.LengthM) < Exact.FootM / 2
                    && Math.Abs(l.Leader.TippetM - leader.TippetM) < Exact.InchM / 2000
                    && l.Leader.GuardM > 0 == leader.GuardM > 0
                )
            )
                continue;
            var wish = new LeaderWish(leader.LengthM, outfit.Line.TipDiameterM, leader.TippetM, leader.GuardM);
            var tied = LeaderDesign.For(LeaderSchool.Knotted, wish, scores.Shed.LeaderSpools) ?? leader;
            all.Add(
                new()
                {
                    Tag = $"{all.Count + 1}",
                    Name = day.Name,
                    Leader = tied,
                }
            );
        }
        return all;
    }

    // A stored piece by its id, as Trip.Pack expects; one to buy by its name.
    private static string Key(string kind, TripPiece piece) => piece.ToBuy ? $"{kind}-to-buy-{piece.Tag}" : $"{kind}-{piece.Id}";

    private static PackItem LeaderItem(TiedLeader leader)
    {
        var guard = leader.Leader.GuardM > 0 ? ", with a bite guard" : "";
        return new(
            string.Create(CultureInfo.InvariantCulture, $"leader-{leader.Leader.LengthM:0.00}-{leader.Leader.TippetM * 1e6:0}{guard}"),
            $"{LeadersEach} of {Quantity.RodLength(leader.Leader.LengthM)} down to {Quantity.Tippet(leader.Leader.TippetM)}{guard}, for "
                + $"“{leader.Name}”"
        );
    }

    // Spools that the tippets of the tying list are cut from, for changes on the water; tippets without such a spool are to buy.
    private static IEnumerable<PackItem> Tippets(TyingList tying, IReadOnlyList<TiedLeader> leaders)
    {
        var some = tying.Spools.Where(s => s.UsedM + s.LeftM > 0).Select(s => s.Tag).ToHashSet();
        return leaders
            .GroupBy(l => Math.Round(l.Leader.TippetM * 1e6))
            .OrderByDescending(g => g.Key)
            .Select(g =>
            {
                var tippetM = g.First().Leader.TippetM;
                var spools = g.Select(l =>
                        tying.Leaders.First(t => t.Tag == l.Tag).Cuts.LastOrDefault(c => c.DiameterM == l.Leader.TippetM)?.Spool
                    )
                    .OfType<string>()
                    .Where(some.Contains)
                    .Distinct()
                    .ToList();
                return new PackItem(
                    string.Create(CultureInfo.InvariantCulture, $"tippet-{g.Key:0}"),
                    spools.Count == 0
                        ? (Sentence)$"a spool of {Quantity.Tippet(tippetM)}"
                        : $"{PlainText.And(spools)}, {Quantity.Tippet(tippetM)}",
                    spools.Count == 0
                );
            });
    }

    private static IEnumerable<PackItem> Flies(IReadOnlyList<(TripDay Day, Choice Choice)> days) =>
        days.GroupBy(d => (d.Day.Brief.Fly.Kind.Id, d.Day.Brief.Fly.SizeName))
            .Select(g =>
            {
                var fly = g.First().Day.Brief.Fly;
                var wary = g.Any(d => d.Day.Brief.Wariness == Briefs.Wariness.Spooky);
                var each = wary ? WaryChanges : Changes;
                Sentence how = wary
                    ? (Sentence)$"{each} patterns and sizes about it, two of each: these fish have seen flies"
                    : $"{each} patterns about it, two of each";
                return new PackItem($"fly-{fly.Kind.Id}-{fly.SizeName}", $"{fly.SizeName} {fly.Kind.Name}: {how}");
            });

    private static List<PrepTask> Timetable(
        KitShort kit,
        IReadOnlyList<SpoolTask> spools,
        int leaders,
        IReadOnlyList<CareItem> seeTo,
        TripScores scores,
        DateOnly? leavesOn
    )
    {
        List<PrepTask> tasks = [];
        void Add(string key, int before, Sentence says) => tasks.Add(new(key, leavesOn?.AddDays(-before), before, says));
        var buy = kit.Rods.Concat(kit.Lines).Concat(kit.Reels).Where(p => p.ToBuy).DistinctBy(p => p.Says.ToString()).ToList();
        if (buy.Count > 0)
            Add("order", OrderBefore, $"Order what is to buy: {PlainText.And([.. buy.Select(p => p.Tag)])}");
        Add("check", CheckBefore, $"Look over rods, rings, loops and guides; sharpen or bin hooks; read the rules of the water");
        foreach (var item in seeTo)
            Add($"care-{item.Key}", CheckBefore, $"{PlainText.Capital(item.Task.Name)}: {item.Called}");
        var wind = spools.Where(s => s.ToWind).ToList();
        if (wind.Count > 0)
            Add("wind", WindBefore, $"Wind {PlainText.And([.. wind.Select(s => s.Line.Tag)])}: about {wind.Sum(s => s.Minutes)} minutes");
        Add("clean", WindBefore, $"Clean lines, dry and slack the drags, put cells in what needs them");
        if (leaders > 0)
            Add("tie", TieBefore, $"Tie {leaders * LeadersEach} leaders and test them, charge the headlamp, pack");
        Add("leave", 0, $"Leave");
        var last = scores.Days.Sum(d => d.Times) - 1;
        Add("after", -last, $"On leaving the water count everything back; rinse and dry what saw salt before it goes into a tube");
        return tasks;
    }

    private static Remark[] Minded(TripScores scores, IReadOnlyList<(TripDay Day, Choice Choice)> days) =>
        [
            .. days.SelectMany((d, i) => Cautions.For(d.Day.Brief, d.Choice.Spec, d.Choice.Outfit))
                .OrderByDescending(c => c.Urgent)
                .DistinctBy(c => c.Id)
                .Select(c => new Remark(c.Says)),
        ];
}
