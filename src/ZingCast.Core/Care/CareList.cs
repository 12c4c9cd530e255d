using System.Diagnostics.CodeAnalysis;
using ZingCast.Core.Cutting;
using ZingCast.Core.Logbook;
using ZingCast.Core.Measures;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Care;

/// <summary>How urgent a task is.</summary>
public enum CareState
{
    /// <summary>To be done.</summary>
    Due,

    /// <summary>Soon to be done.</summary>
    Soon,

    /// <summary>Not for a while.</summary>
    Fine,
}

/// <summary>Wear of a piece.</summary>
/// <param name="Outings">Times it was out.</param>
/// <param name="Hours">Hours noted.</param>
/// <param name="SaltDays">Days in salt.</param>
/// <param name="Drops">Times it was dropped.</param>
public sealed record Wear(int Outings, double Hours, int SaltDays, int Drops)
{
    internal static Wear From(IReadOnlyCollection<Outing> outings, DroppedPiece? dropped) =>
        new(
            outings.Count,
            outings.Sum(o => o.Hours ?? 0),
            outings.Where(o => o.Salt).Select(o => o.On).Distinct().Count(),
            outings.Count(o => dropped is { } piece && o.Dropped.Contains(piece))
        );
}

/// <summary>A task and how urgent it is.</summary>
/// <param name="Key">Stable.</param>
/// <param name="Task">What to do.</param>
/// <param name="PieceId">The piece; 0 for flies and drawer.</param>
/// <param name="Called">What it is called.</param>
/// <param name="State">How it stands.</param>
/// <param name="Share">How much of its time is over; 1 and more when it is due.</param>
/// <param name="Why">Why.</param>
/// <param name="LastOn">When it was done last, or what is counted from; null when nobody knows.</param>
/// <param name="DueOn">The day it falls due by the calendar; null where only use counts.</param>
/// <param name="Since">What the piece has been through since.</param>
public sealed record CareItem(
    string Key,
    CareTask Task,
    int PieceId,
    string Called,
    CareState State,
    double Share,
    string Why,
    DateOnly? LastOn,
    DateOnly? DueOn,
    Wear Since
);

/// <summary>A piece with all its wear.</summary>
public sealed record PieceWear(CarePiece Piece, int Id, string Called, Wear Wear);

/// <summary>What needs care, from logged outings and services.</summary>
/// <param name="Items">Every task of every piece, most overdue first.</param>
/// <param name="Pieces">Every piece with what it has been through, most used first.</param>
public sealed record CareList(IReadOnlyList<CareItem> Items, IReadOnlyList<PieceWear> Pieces)
{
    // Share of the interval from which a task is due soon.
    private const double SoonShare = .8;

    private sealed record Piece(
        CarePiece Kind,
        int Id,
        IReadOnlyList<Outing> Outings,
        DroppedPiece? Dropped,
        DateOnly? Since,
        Func<CareTask, bool> Has,
        Func<CareTask, DateOnly?> Noted
    );

    /// <summary>For a shed with its scraps; outings and services in any order.</summary>
    public static CareList From(
        GearShed shed,
        IReadOnlyList<Scrap> scraps,
        IReadOnlyList<Outing> outings,
        IReadOnlyList<Service> services,
        DateOnly today
    )
    {
        var done = services.ToLookup(s => (s.TaskId, s.PieceId), s => s.On);
        var pieces = PiecesToLookAfter(shed, scraps, outings).ToList();
        return new(
            [
                .. pieces
                    .SelectMany(p =>
                        CareTask.All.Where(t => t.Piece == p.Kind && p.Has(t)).Select(t => Item(p, t, shed, done[(t.Id, p.Id)], today))
                    )
                    .OfType<CareItem>()
                    .OrderBy(i => i.State)
                    .ThenByDescending(i => i.Share)
                    .ThenBy(i => i.Key, StringComparer.Ordinal),
            ],
            [
                .. pieces
                    .Select(p => new PieceWear(p.Kind, p.Id, NameOf(p.Kind, p.Id, shed), Wear.From(p.Outings, p.Dropped)))
                    .OrderByDescending(p => p.Wear.Outings)
                    .ThenBy(p => p.Called, StringComparer.Ordinal),
            ]
        );
    }

    /// <summary>Tasks to do before a day, for the given pieces or, when none are given, for all.</summary>
    public IReadOnlyList<CareItem> Before(DateOnly? day, Func<CareItem, bool> comes) =>
        [.. Items.Where(i => comes(i) && (i.State != CareState.Fine || (day is { } d && i.DueOn <= d)))];

    /// <summary>Name of a piece, as far as it is known.</summary>
    public static string NameOf(CarePiece kind, int id, GearShed shed)
    {
        static string From(Gear? piece) => piece is null ? "" : $"{piece.Tag} {piece.Name}";
        return kind switch
        {
            CarePiece.Rod => From(shed.Rods.FirstOrDefault(r => r.Id == id)),
            CarePiece.Line => From(shed.Lines.FirstOrDefault(l => l.Id == id)),
            CarePiece.Reel => From(shed.Reels.FirstOrDefault(r => r.Id == id)),
            CarePiece.Leader => From(shed.Leaders.FirstOrDefault(l => l.Id == id)),
            CarePiece.Backing => shed.Spools.FirstOrDefault(s => s.Id == id) is { } spool
                ? $"{From(shed.Reels.FirstOrDefault(r => r.Id == spool.ReelId))}, {spool.Name}"
                : "",
            CarePiece.Flies => "Flies",
            _ => "Drawer",
        };
    }

    /// <summary>Whether there is such a piece.</summary>
    public static bool IsThere(CarePiece kind, int id, GearShed shed) =>
        kind is CarePiece.Flies or CarePiece.Drawer ? id == 0 : NameOf(kind, id, shed).Length > 0;

    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    private static IEnumerable<Piece> PiecesToLookAfter(GearShed shed, IReadOnlyList<Scrap> scraps, IReadOnlyList<Outing> outings)
    {
        var (rods, lines, reels, leaders) = (
            outings.ToLookup(o => o.RodId),
            outings.ToLookup(o => o.LineId),
            outings.ToLookup(o => o.ReelId),
            outings.ToLookup(o => o.LeaderId)
        );
        // A test stored with the piece itself counts as done; everything else counts from the day the piece was bought.
        foreach (var rod in shed.Rods)
            yield return new(
                CarePiece.Rod,
                rod.Id,
                [.. rods[rod.Id]],
                DroppedPiece.Rod,
                rod.BoughtOn,
                // A rod that was never tested does not need testing again.
                t => t != CareTask.BendTest || rod.Test is not null,
                t =>
                    t == CareTask.Inspect ? Latest(rod.Inspections.Select(i => (DateOnly?)i.On))
                    : t == CareTask.BendTest ? rod.Test?.On
                    : null
            );
        foreach (var line in shed.Lines)
            yield return new(
                CarePiece.Line,
                line.Id,
                [.. lines[line.Id]],
                null,
                line.BoughtOn,
                t => (t != CareTask.Reverse || line.Build == Build.DoubleTaper) && t != CareTask.CutBack,
                t => t == CareTask.Clean ? line.ServicedOn : null
            );
        foreach (var reel in shed.Reels)
        {
            yield return new(
                CarePiece.Reel,
                reel.Id,
                [.. reels[reel.Id]],
                DroppedPiece.Reel,
                reel.BoughtOn,
                _ => true,
                _ => reel.ServicedOn
            );
            foreach (var spool in shed.Spools.Where(s => s.ReelId == reel.Id && s.Backing is not null))
                yield return new(
                    CarePiece.Backing,
                    spool.Id,
                    [.. lines[spool.LineId].Where(o => spool.LineId is not null && o.ReelId == reel.Id)],
                    null,
                    spool.WoundOn,
                    _ => true,
                    _ => spool.WoundOn
                );
        }
        foreach (var leader in shed.Leaders)
            yield return new(
                CarePiece.Leader,
                leader.Id,
                [.. leaders[leader.Id]],
                null,
                leader.BoughtOn,
                _ => true,
                _ => leader.ServicedOn
            );
        yield return new(CarePiece.Flies, 0, [.. outings.Where(o => o.Kind == OutingKind.Water)], null, null, _ => true, _ => null);
        if (scraps.Count > 0)
            yield return new(CarePiece.Drawer, 0, [], null, null, _ => true, _ => null);
    }

    private static DateOnly? Latest(IEnumerable<DateOnly?> days) => days.Max();

    // A wind knot, a good fish or a parted tippet wears a leader; what opens or rusts a hook wears the flies.
    private static int Mishaps(CarePiece kind, IReadOnlyList<Outing> outings) =>
        kind == CarePiece.Flies
            ? outings.Sum(o => Lost(o, LossCause.StraightenedHook))
            : outings.Sum(o => o.WindKnots + o.Landed + Lost(o, LossCause.Knot) + Lost(o, LossCause.Abrasion) + Lost(o, LossCause.Bitten));

    private static int Lost(Outing outing, LossCause cause) => outing.Losses.Where(l => l.Cause == cause).Sum(l => l.Count);

    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    private static CareItem? Item(Piece piece, CareTask task, GearShed shed, IEnumerable<DateOnly> done, DateOnly today)
    {
        var last = Latest([.. done.Select(d => (DateOnly?)d), piece.Noted(task)]);
        // A service counts as done after that day's fishing.
        var since = last is { } l ? [.. piece.Outings.Where(o => o.On > l)] : piece.Outings;
        // With no service on record, the interval runs from the day the piece was bought or was first used.
        var from = last ?? piece.Since ?? (piece.Outings.Count > 0 ? piece.Outings.Min(o => o.On) : null);
        var wear = Wear.From(since, piece.Dropped);
        DateOnly? dueOn = task.Months is { } months && from is { } f ? f.AddMonths(months) : null;
        List<(double Share, string Says)> reasons = [];
        void Count(int? every, int count, string one, string many)
        {
            if (every is { } n && count > 0)
                reasons.Add(((double)count / n, $"{count} {(count == 1 ? one : many)}"));
        }
        Count(task.Outings, wear.Outings, "outing", "outings");
        Count(task.SaltDays, wear.SaltDays, "day in salt", "days in salt");
        Count(task.Drops, wear.Drops, "fall", "falls");
        if (task.Mishaps is not null)
            Count(
                task.Mishaps,
                Mishaps(piece.Kind, since),
                piece.Kind == CarePiece.Flies ? "straightened hook" : "wind knot, fish or break",
                piece.Kind == CarePiece.Flies ? "straightened hooks" : "wind knots, fish and breaks"
            );
        if (dueOn is { } due && from is { } began)
            reasons.Add(
                (
                    Math.Max(0, (today.DayNumber - began.DayNumber) / (double)Math.Max(1, due.DayNumber - began.DayNumber)),
                    Age(today.DayNumber - began.DayNumber)
                )
            );
        if (reasons.Count == 0)
            return null;
        var share = reasons.Max(r => r.Share);
        var told = reasons.Where(r => r.Share >= Math.Min(SoonShare, share)).OrderByDescending(r => r.Share).Select(r => r.Says).ToList();
        var after =
            last is not null ? $"since it was {task.Done} on {Words(last.Value)}"
            : piece.Since is { } s ? $"since {Words(s)}"
            : "since it is in the log";
        return new(
            $"{task.Id}-{piece.Id}",
            task,
            piece.Id,
            NameOf(piece.Kind, piece.Id, shed),
            share >= 1 ? CareState.Due
                : share >= SoonShare ? CareState.Soon
                : CareState.Fine,
            share,
            $"{PlainText.And(told)} {after}",
            last,
            dueOn,
            wear
        );
    }

    private static string Words(DateOnly day) => day.ToString("d MMM yyyy", System.Globalization.CultureInfo.InvariantCulture);

    private static string Age(int days) =>
        days < 60 ? $"{Math.Max(0, days)} days"
        : days < 730 ? $"{days / 30} months"
        : $"{days / 365} years";
}
