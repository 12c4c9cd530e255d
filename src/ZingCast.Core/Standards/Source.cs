namespace ZingCast.Core.Standards;

/// <summary>How far a number can be trusted, in the words shown beside it.</summary>
public enum SourceMark
{
    /// <summary>From a published standard or paper, named in the note.</summary>
    Published,

    /// <summary>From memory of a published source, not yet checked against it.</summary>
    Memory,

    /// <summary>Common practice in the trade; not published.</summary>
    Practice,

    /// <summary>Our own simplification; the note says what it replaces.</summary>
    Assumption,

    /// <summary>Measured on the piece itself.</summary>
    Measured,

    /// <summary>Read off a label and not checked.</summary>
    Label,

    /// <summary>Follows by arithmetic from the inputs shown.</summary>
    Computed,

    /// <summary>Set by the person: a pin or an answer in the brief.</summary>
    Yours,
}

/// <summary>A source mark with the name of the source or the reason for the mark.</summary>
/// <param name="Mark">Trust class.</param>
/// <param name="Note">Name of the publication, or one short reason.</param>
public sealed record Source(SourceMark Mark, string Note)
{
    /// <summary>The usual mark of a trade rule of thumb.</summary>
    public static readonly Source Practice = new(SourceMark.Practice, "Common practice in the trade; no published source");

    /// <summary>Arithmetic on the inputs shown.</summary>
    public static readonly Source Computed = new(SourceMark.Computed, "Arithmetic on the inputs shown");

    /// <summary>A person's own answer or pin.</summary>
    public static readonly Source Yours = new(SourceMark.Yours, "You set this");

    /// <summary>A stand-in of our own, with its reason.</summary>
    public static Source Assumption(string note) => new(SourceMark.Assumption, note);
}
