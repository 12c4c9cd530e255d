using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace ZingCast.Store.Migrations
{
    /// <inheritdoc />
    public partial class Logbook : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "Lessons",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    CasterId = table.Column<int>(type: "INTEGER", nullable: true),
                    RodId = table.Column<int>(type: "INTEGER", nullable: true),
                    Accepted = table.Column<bool>(type: "INTEGER", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Evidence = table.Column<int>(type: "INTEGER", nullable: false),
                    Hand = table.Column<string>(type: "TEXT", nullable: true),
                    Feel = table.Column<string>(type: "TEXT", nullable: true),
                    DeletedAt = table.Column<DateTime>(type: "TEXT", nullable: true),
                    Version = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Lessons", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Outings",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Key = table.Column<string>(type: "TEXT", nullable: false),
                    On = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Place = table.Column<string>(type: "TEXT", nullable: false),
                    Hours = table.Column<double>(type: "REAL", nullable: true),
                    BriefId = table.Column<int>(type: "INTEGER", nullable: true),
                    Caster = table.Column<string>(type: "TEXT", nullable: false),
                    RodId = table.Column<int>(type: "INTEGER", nullable: true),
                    LineId = table.Column<int>(type: "INTEGER", nullable: true),
                    ReelId = table.Column<int>(type: "INTEGER", nullable: true),
                    LeaderId = table.Column<int>(type: "INTEGER", nullable: true),
                    LeaderM = table.Column<double>(type: "REAL", nullable: true),
                    TippetM = table.Column<double>(type: "REAL", nullable: true),
                    FlyKind = table.Column<string>(type: "TEXT", nullable: true),
                    HookSize = table.Column<int>(type: "INTEGER", nullable: true),
                    Species = table.Column<string>(type: "TEXT", nullable: true),
                    Water = table.Column<string>(type: "TEXT", nullable: true),
                    Cover = table.Column<string>(type: "TEXT", nullable: true),
                    Stance = table.Column<string>(type: "TEXT", nullable: true),
                    Salt = table.Column<bool>(type: "INTEGER", nullable: false),
                    WaterC = table.Column<double>(type: "REAL", nullable: true),
                    WindMps = table.Column<double>(type: "REAL", nullable: true),
                    WindFromDeg = table.Column<double>(type: "REAL", nullable: true),
                    Casts = table.Column<string>(type: "TEXT", nullable: false),
                    Feel = table.Column<string>(type: "TEXT", nullable: true),
                    Fish = table.Column<string>(type: "TEXT", nullable: false),
                    Losses = table.Column<string>(type: "TEXT", nullable: false),
                    WindKnots = table.Column<int>(type: "INTEGER", nullable: false),
                    Dropped = table.Column<string>(type: "TEXT", nullable: false),
                    Drill = table.Column<string>(type: "TEXT", nullable: true),
                    Rings = table.Column<string>(type: "TEXT", nullable: false),
                    Note = table.Column<string>(type: "TEXT", nullable: true),
                    DeletedAt = table.Column<DateTime>(type: "TEXT", nullable: true),
                    Version = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Outings", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "People",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    From = table.Column<string>(type: "TEXT", nullable: false),
                    DeletedAt = table.Column<DateTime>(type: "TEXT", nullable: true),
                    Version = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_People", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Services",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    TaskId = table.Column<string>(type: "TEXT", nullable: false),
                    PieceId = table.Column<int>(type: "INTEGER", nullable: false),
                    On = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    AmountM = table.Column<double>(type: "REAL", nullable: true),
                    Before = table.Column<string>(type: "TEXT", nullable: true),
                    Note = table.Column<string>(type: "TEXT", nullable: true),
                    DeletedAt = table.Column<DateTime>(type: "TEXT", nullable: true),
                    Version = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Services", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Outings_Key",
                table: "Outings",
                column: "Key",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_People_Name",
                table: "People",
                column: "Name",
                unique: true,
                filter: "\"DeletedAt\" IS NULL");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Lessons");

            migrationBuilder.DropTable(
                name: "Outings");

            migrationBuilder.DropTable(
                name: "People");

            migrationBuilder.DropTable(
                name: "Services");
        }
    }
}
