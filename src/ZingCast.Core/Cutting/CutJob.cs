using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Cutting;

/// <summary>A cut or a weighing, as recorded.</summary>
/// <param name="At">When, UTC.</param>
/// <param name="Tag">The piece.</param>
/// <param name="TakenM">What the blade took, metres; 0 for a weighing.</param>
/// <param name="LeftM">What was left of the piece, metres.</param>
/// <param name="MassKg">What the scale said, kilograms; null for a cut.</param>
/// <param name="KeptAs">Tag under which the cut-off went back into the drawer.</param>
/// <param name="PlusMinusKg">How far the scale could be off, kilograms.</param>
public sealed record CutStep(
    DateTime At,
    string Tag,
    double TakenM,
    double LeftM,
    double? MassKg = null,
    string? KeptAs = null,
    double PlusMinusKg = 0
);

/// <summary>One piece of a job: a scrap being cut to what the plan wants.</summary>
/// <param name="ScrapId">The scrap it is cut from; it follows every cut.</param>
/// <param name="Tag">Its tag.</param>
/// <param name="FrontM">What is still to come off the front, metres.</param>
/// <param name="BackM">What is still to come off the back, metres.</param>
/// <param name="PlannedM">Length the plan wants, metres.</param>
/// <param name="PlannedKg">Mass the plan wants, kilograms.</param>
/// <param name="Turned">Its back points to the fly.</param>
/// <param name="NibbleFront">The front is the end that is nibbled.</param>
/// <param name="Done">As near as scale and blade allow.</param>
public sealed record CutJobPiece(
    int ScrapId,
    string Tag,
    double FrontM,
    double BackM,
    double PlannedM,
    double PlannedKg,
    bool Turned,
    bool NibbleFront,
    bool Done
)
{
    // Pieces with hardly more than the allowance to remove are nibbled from the start.
    private const double FirstCutFromM = Nibble.AllowanceM + .05;

    /// <summary>
    /// A scrap prepared for what the plan keeps of it. When both ends are cut, the front is cut to length and the back is nibbled.
    /// </summary>
    public static CutJobPiece From(CutPiece plan, Scrap scrap)
    {
        var whole = scrap.Profile();
        double front = plan.FromM < 1e-6 ? 0 : plan.FromM,
            back = whole.LengthM - plan.ToM < 1e-6 ? 0 : whole.LengthM - plan.ToM;
        var nibbleFront = front > 0 && back == 0;
        return new(
            scrap.Id,
            scrap.Tag,
            nibbleFront && front <= FirstCutFromM ? 0 : front,
            back <= FirstCutFromM ? 0 : back,
            plan.ToM - plan.FromM,
            whole.MassKg(plan.ToM) - whole.MassKg(plan.FromM),
            plan.Turned,
            nibbleFront,
            front == 0 && back == 0
        );
    }

    /// <summary>Length still to remove from the end that is nibbled, metres.</summary>
    public double ToGoM => NibbleFront ? FrontM : BackM;

    /// <summary>Whether the front has to be cut to length before anything else.</summary>
    public bool FrontFirst => this is { FrontM: > 0, NibbleFront: false };

    /// <summary>Whether enough is left to remove for a first cut, an allowance over, before weighing.</summary>
    public bool CutFirst => ToGoM > FirstCutFromM;
}

/// <summary>Next step for a piece.</summary>
public enum NextMove
{
    /// <summary>Cut it, long.</summary>
    Cut,

    /// <summary>Lay it on the scale.</summary>
    Weigh,

    /// <summary>Nibble a little off.</summary>
    Nibble,

    /// <summary>Nothing more.</summary>
    Done,
}

/// <summary>A piece in work: its state and the next step.</summary>
/// <param name="Piece">The piece.</param>
/// <param name="Name">Name of its scrap.</param>
/// <param name="LengthM">Its length now, metres.</param>
/// <param name="MassKg">Its mass now, kilograms.</param>
/// <param name="Weighed">It lay on the scale in this job.</param>
/// <param name="Move">What comes next.</param>
/// <param name="TakeM">How much to take next, metres.</param>
/// <param name="Front">From the front.</param>
/// <param name="Says">What to do, in a sentence.</param>
/// <param name="Profile">The piece along its length.</param>
public sealed record PieceNow(
    CutJobPiece Piece,
    string Name,
    double LengthM,
    double MassKg,
    bool Weighed,
    NextMove Move,
    double TakeM,
    bool Front,
    Sentence Says,
    IReadOnlyList<Stretch> Profile
);

/// <summary>Result of a cut or a weighing.</summary>
/// <param name="Job">The job after it.</param>
/// <param name="Scrap">The scrap after it.</param>
/// <param name="CutOff">What goes back into the drawer, without an identity yet; null when nothing worth keeping came off.</param>
public sealed record CutDone(CutJob Job, Scrap Scrap, Scrap? CutOff = null);

/// <summary>
/// A head being made from scraps: cut long, weigh, nibble, piece by piece, then join. Every step gives a new job; cuts are recorded and
/// never undone.
/// </summary>
public sealed record CutJob : Kept
{
    // A mass outside these shares of what the piece should weigh means another piece, or a scale that was not tared.
    private const double LeastShare = .6,
        MaxShare = 1.6;

    // A scale with a larger tolerance than this is useless here, kilograms.
    private const double WorstScaleKg = .005;

    // Tolerance of a made head's profile, share.
    private const double MadeShare = .005;

    /// <summary>Most pieces in a head.</summary>
    public const int MaxPieces = 3;

    /// <summary>Head to make.</summary>
    public required CutTarget Target { get; init; }

    /// <summary>The pieces, fly end first.</summary>
    public required IReadOnlyList<CutJobPiece> Pieces { get; init; }

    /// <summary>Steps done, in order.</summary>
    public IReadOnlyList<CutStep> Steps { get; init; } = [];

    /// <summary>When it was begun, UTC.</summary>
    public DateTime BegunAt { get; init; }

    /// <summary>The line it became; null while in work.</summary>
    public int? LineId { get; init; }

    /// <summary>Ids of lines it was before it was taken apart; these cannot be restored once the pieces are used again.</summary>
    public IReadOnlyList<int> TakenApart { get; init; } = [];

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check() =>
        [
            .. Target.Check().Under("target"),
            .. new FieldCheck()
                .Must(
                    "pieces",
                    Pieces.Count is >= 1 and <= MaxPieces && Pieces.DistinctBy(p => p.ScrapId).Count() == Pieces.Count,
                    "A head is made of one to three different pieces."
                )
                .All(
                    Pieces,
                    "pieces",
                    p =>
                        new FieldCheck()
                            .Text("tag", p.Tag, 12)
                            .Range("frontM", p.FrontM, 0, LongestM, "A piece is up to 60 m long.")
                            .Range("backM", p.BackM, 0, LongestM, "A piece is up to 60 m long.")
                            .Range("plannedM", p.PlannedM, Nibble.LeastM, LongestM, "A piece is up to 60 m long.")
                            .Range("plannedKg", p.PlannedKg, 1e-6, .2, "A piece weighs up to 200 g.")
                )
                .Must("steps", Steps.Count <= MaxSteps, $"A job has {MaxSteps} cuts and weighings at most.")
                .All(
                    Steps,
                    "steps",
                    s =>
                        new FieldCheck()
                            .Text("tag", s.Tag, 12)
                            .Text("keptAs", s.KeptAs, 12, optional: true)
                            .Range("takenM", s.TakenM, 0, LongestM, "A piece is up to 60 m long.")
                            .Range("leftM", s.LeftM, 0, LongestM, "A piece is up to 60 m long.")
                            .Range("massKg", s.MassKg, 0, .2, "A piece weighs up to 200 g.")
                            .Range("plusMinusKg", s.PlusMinusKg, 0, WorstScaleKg, "A scale for this is good to 5 g or better.")
                )
                .Problems,
        ];

    private const double LongestM = 60;

    private const int MaxSteps = 2000;

    /// <summary>
    /// Starts a plan on the bench. <paramref name="scraps"/> are the scraps it names, by id. Null, with the problem, when the plan does
    /// not fit them.
    /// </summary>
    public static CutJob? Begin(
        CutTarget target,
        IReadOnlyList<CutPiece> plan,
        IReadOnlyDictionary<int, Scrap> scraps,
        DateTime at,
        out IReadOnlyList<FieldProblem> problems
    )
    {
        var different = plan.Select(p => p.ScrapId).Distinct().Count() == plan.Count;
        var there = plan.Count is >= 1 and <= MaxPieces && different && plan.All(p => scraps.ContainsKey(p.ScrapId));
        problems = new FieldCheck()
            .Must("pieces", there, "A plan has one to three different pieces that are in the drawer. Plan again.")
            .Must("pieces", !there || plan.All(p => Fits(p, scraps[p.ScrapId])), "A piece reaches beyond its scrap. Plan again.")
            .Problems;
        return problems.Count > 0
            ? null
            : new()
            {
                Target = target,
                Pieces = [.. plan.Select(p => CutJobPiece.From(p, scraps[p.ScrapId]))],
                BegunAt = at,
            };
    }

    private static bool Fits(CutPiece piece, Scrap scrap) =>
        piece.FromM >= 0 && piece.ToM - piece.FromM >= Cutter.ShortestM - 1e-9 && piece.ToM <= scrap.LengthM + 1e-6;

    /// <summary>State of a piece and its next step. The scrap is the one it is cut from, as it is now.</summary>
    public PieceNow Now(int index, Scrap scrap)
    {
        var piece = Pieces[index];
        var profile = scrap.Profile();
        var last = Steps.LastOrDefault(s => s.Tag == piece.Tag);
        if (piece.Done)
            return Is(
                NextMove.Done,
                0,
                piece.NibbleFront,
                last is not null
                    ? (Sentence)$"Done: {Quantity.Length(scrap.LengthM)}, {Quantity.LineMass(scrap.MassKg)}"
                    : $"Goes in whole: {Quantity.Length(scrap.LengthM)}, {Quantity.LineMass(scrap.MassKg)}"
            );
        if (piece.FrontFirst)
            return Is(NextMove.Cut, piece.FrontM, true, $"Cut {Quantity.Length(piece.FrontM)} off the front");
        if (piece.CutFirst)
        {
            var take = piece.ToGoM - Nibble.AllowanceM;
            return Is(
                NextMove.Cut,
                take,
                piece.NibbleFront,
                $"Cut {Quantity.Length(take)} off the {(piece.NibbleFront ? "front" : "back")}: "
                    + $"{Quantity.Length(Nibble.AllowanceM)} longer than planned, for the scale to decide"
            );
        }
        if (last is not { MassKg: { } weighed })
            return Is(NextMove.Weigh, 0, piece.NibbleFront, $"Lay {piece.Tag} on the scale, all of it");
        var nibble = Nibble.After(profile, piece.NibbleFront, piece.PlannedKg, weighed, last.PlusMinusKg);
        return Is(nibble.Done ? NextMove.Done : NextMove.Nibble, nibble.TakeM, piece.NibbleFront, nibble.Says);

        PieceNow Is(NextMove move, double takeM, bool front, Sentence says) =>
            new(
                piece,
                scrap.Name,
                scrap.LengthM,
                scrap.MassKg,
                Steps.Any(s => s.Tag == piece.Tag && s.MassKg is not null),
                move,
                takeM,
                front,
                says,
                profile.Stretches
            );
    }

    /// <summary>
    /// Records a cut, metres off the front or the back. A cut-off that is long enough goes back into the drawer under <paramref
    /// name="freeTag"/>. Null, with the problem, when that cut is not the next step.
    /// </summary>
    public CutDone? Cut(
        int index,
        Scrap scrap,
        double takeM,
        bool front,
        string freeTag,
        DateTime at,
        out IReadOnlyList<FieldProblem> problems
    )
    {
        var now = Now(index, scrap);
        var cutting = now.Move is NextMove.Cut or NextMove.Nibble;
        // A first cut may go to the planned length itself, at the cutter's risk; a nibble never past what the scale showed.
        var most =
            now.Move == NextMove.Nibble ? now.TakeM
            : front ? now.Piece.FrontM
            : now.Piece.BackM;
        problems = new FieldCheck()
            .Must("takeM", cutting, now.Move == NextMove.Weigh ? "Weigh it before the next cut." : "This piece is done.")
            .Must("front", !cutting || front == now.Front, "The next cut belongs to the other end.")
            .Must(
                "takeM",
                !cutting || front != now.Front || (takeM >= Nibble.LeastM - 1e-9 && takeM <= most + 1e-9),
                $"Between {Nibble.LeastM * 1000:0} mm and {most * 100:0.0} cm: more would go past the mark."
            )
            .Problems;
        if (problems.Count > 0)
            return null;
        var (from, to) = front ? (takeM, scrap.LengthM) : (0, scrap.LengthM - takeM);
        var kept = takeM >= Scrap.ShortestM;
        var off = kept ? Off(scrap, takeM, front, freeTag) : null;
        // The first cut on this end is over after one cut; the rest is decided by weighing.
        var piece = front ? now.Piece with { FrontM = 0 } : now.Piece with { BackM = 0 };
        var step = new CutStep(at, piece.Tag, takeM, to - from, null, off?.Tag);
        return new(With(index, piece, step), scrap.Between(from, to), off);
    }

    private static Scrap Off(Scrap scrap, double takeM, bool front, string tag)
    {
        var off = front ? scrap.Between(0, takeM) : scrap.Between(scrap.LengthM - takeM, scrap.LengthM);
        var name = $"{(front ? "front" : "end")} of {scrap.Tag}, {scrap.Name}";
        return off with { Id = 0, Tag = tag, Name = name.Length > 80 ? name[..80] : name, Note = null };
    }

    /// <summary>
    /// Records the mass of a piece, kilograms. Its assumed profile keeps its shape and is scaled to that mass. Null, with the problem, when
    /// the mass cannot be this piece's.
    /// </summary>
    public CutDone? Weigh(int index, Scrap scrap, double massKg, double plusMinusKg, DateTime at, out IReadOnlyList<FieldProblem> problems)
    {
        var lies = massKg > 0;
        problems = new FieldCheck()
            .Must("massKg", lies, "Nothing lay on the scale. Tare it empty, lay the piece on it and wait until it settles.")
            .Must(
                "massKg",
                !lies || (massKg > LeastShare * scrap.MassKg && massKg < MaxShare * scrap.MassKg),
                $"This piece should weigh about {scrap.MassKg * 1000:0.0} g. Is the right piece on the scale, all of it, and was it tared?"
            )
            .Range("plusMinusKg", plusMinusKg, 0, WorstScaleKg, "A scale for this is good to 5 g or better.")
            .Problems;
        if (problems.Count > 0)
            return null;
        var known = scrap with { MassKg = massKg, Measured = scrap.Profile().Weighing(massKg).Stretches };
        problems = known.Check();
        if (problems.Count > 0)
            return null;
        var piece = Pieces[index];
        var nibbling = piece is { FrontM: 0, BackM: 0 };
        var done = piece.Done || (nibbling && Nibble.After(known.Profile(), piece.NibbleFront, piece.PlannedKg, massKg, plusMinusKg).Done);
        var step = new CutStep(at, piece.Tag, 0, scrap.LengthM, massKg, PlusMinusKg: plusMinusKg);
        return new(With(index, piece with { Done = done }, step), known);
    }

    /// <summary>
    /// The joined head as a line for the shed. Null, with the problem, while a piece is still to cut, or when the line would be invalid.
    /// </summary>
    public FlyLine? Finish(string tag, string name, IReadOnlyDictionary<int, Scrap> scraps, out IReadOnlyList<FieldProblem> problems)
    {
        problems = new FieldCheck().Must("tag", Pieces.All(p => p is { FrontM: 0, BackM: 0 }), "There is still a piece to cut.").Problems;
        if (problems.Count > 0)
            return null;
        var profile = Cutter.Join([.. Pieces.Select(p => scraps[p.ScrapId].Profile().Part(0, scraps[p.ScrapId].LengthM, p.Turned))]);
        var line = new FlyLine
        {
            Tag = tag,
            Name = name,
            LengthM = profile.LengthM,
            HeadM = profile.LengthM,
            Build = Build.ShootingHead,
            Density = scraps[Pieces[^1].ScrapId].Density,
            Note = $"made of {string.Join(", ", Pieces.Select(p => p.Tag))}",
        }.With(profile, profile.LengthM, MadeShare);
        problems = line.Check();
        return problems.Count > 0 ? null : line;
    }

    /// <summary>The head from its pieces in their present state.</summary>
    public CutPlan AsItLies(IReadOnlyDictionary<int, Scrap> scraps) =>
        Cutter.Judge(
            Target,
            [.. Pieces.Select(p => new CutPiece(p.ScrapId, 0, scraps[p.ScrapId].LengthM, p.Turned))],
            Pieces.ToDictionary(p => p.ScrapId, p => scraps[p.ScrapId].Profile())
        );

    private CutJob With(int index, CutJobPiece piece, CutStep step) =>
        this with
        {
            Pieces = [.. Pieces.Select((p, i) => i == index ? piece : p)],
            Steps = [.. Steps, step],
        };
}
