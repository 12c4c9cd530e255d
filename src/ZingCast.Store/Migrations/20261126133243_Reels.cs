using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace ZingCast.Store.Migrations
{
    /// <inheritdoc />
    public partial class Reels : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "KnownFill",
                table: "Reels",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "StatedLine",
                table: "Reels",
                type: "TEXT",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "Spools",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    ReelId = table.Column<int>(type: "INTEGER", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    LineId = table.Column<int>(type: "INTEGER", nullable: true),
                    Backing = table.Column<string>(type: "TEXT", nullable: true),
                    BackingM = table.Column<double>(type: "REAL", nullable: false),
                    WoundOn = table.Column<DateOnly>(type: "TEXT", nullable: true),
                    RightHand = table.Column<bool>(type: "INTEGER", nullable: false),
                    DeletedAt = table.Column<DateTime>(type: "TEXT", nullable: true),
                    Version = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Spools", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "WindingTickets",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    ReelId = table.Column<int>(type: "INTEGER", nullable: false),
                    SpoolName = table.Column<string>(type: "TEXT", nullable: false),
                    LineId = table.Column<int>(type: "INTEGER", nullable: false),
                    ReelWords = table.Column<string>(type: "TEXT", nullable: false),
                    LineWords = table.Column<string>(type: "TEXT", nullable: false),
                    Plan = table.Column<string>(type: "TEXT", nullable: false),
                    RightHand = table.Column<bool>(type: "INTEGER", nullable: false),
                    Done = table.Column<string>(type: "TEXT", nullable: false),
                    BegunAt = table.Column<DateTime>(type: "TEXT", nullable: false),
                    LegTurns = table.Column<double>(type: "REAL", nullable: false),
                    LegM = table.Column<double>(type: "REAL", nullable: false),
                    SpoolId = table.Column<int>(type: "INTEGER", nullable: true),
                    Before = table.Column<string>(type: "TEXT", nullable: true),
                    TakenFrom = table.Column<int>(type: "INTEGER", nullable: true),
                    DeletedAt = table.Column<DateTime>(type: "TEXT", nullable: true),
                    Version = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_WindingTickets", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Spools_LineId",
                table: "Spools",
                column: "LineId",
                unique: true,
                filter: "\"DeletedAt\" IS NULL");

            migrationBuilder.CreateIndex(
                name: "IX_Spools_ReelId_Name",
                table: "Spools",
                columns: new[] { "ReelId", "Name" },
                unique: true,
                filter: "\"DeletedAt\" IS NULL");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Spools");

            migrationBuilder.DropTable(
                name: "WindingTickets");

            migrationBuilder.DropColumn(
                name: "KnownFill",
                table: "Reels");

            migrationBuilder.DropColumn(
                name: "StatedLine",
                table: "Reels");
        }
    }
}
