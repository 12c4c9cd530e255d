using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace ZingCast.Store.Migrations
{
    /// <inheritdoc />
    public partial class First : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "Briefs",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Draft = table.Column<string>(type: "TEXT", nullable: false),
                    Pins = table.Column<string>(type: "TEXT", nullable: false),
                    Off = table.Column<string>(type: "TEXT", nullable: false),
                    Version = table.Column<int>(type: "INTEGER", nullable: false),
                    ChangedAt = table.Column<DateTime>(type: "TEXT", nullable: false),
                    DeletedAt = table.Column<DateTime>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Briefs", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Lines",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Tag = table.Column<string>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    PrintedClass = table.Column<double>(type: "REAL", nullable: true),
                    Build = table.Column<string>(type: "TEXT", nullable: false),
                    LengthM = table.Column<double>(type: "REAL", nullable: false),
                    HeadM = table.Column<double>(type: "REAL", nullable: false),
                    HeadKg = table.Column<double>(type: "REAL", nullable: true),
                    FrontTaperM = table.Column<double>(type: "REAL", nullable: false),
                    RearTaperM = table.Column<double>(type: "REAL", nullable: false),
                    TipDiameterM = table.Column<double>(type: "REAL", nullable: false),
                    BellyDiameterM = table.Column<double>(type: "REAL", nullable: false),
                    RunningDiameterM = table.Column<double>(type: "REAL", nullable: false),
                    Density = table.Column<string>(type: "TEXT", nullable: false),
                    Coating = table.Column<string>(type: "TEXT", nullable: false),
                    SaltRated = table.Column<bool>(type: "INTEGER", nullable: false),
                    Note = table.Column<string>(type: "TEXT", nullable: true),
                    DeletedAt = table.Column<DateTime>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Lines", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Reels",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Tag = table.Column<string>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    LabelLow = table.Column<double>(type: "REAL", nullable: true),
                    LabelHigh = table.Column<double>(type: "REAL", nullable: true),
                    ArborM = table.Column<double>(type: "REAL", nullable: true),
                    RimM = table.Column<double>(type: "REAL", nullable: true),
                    WidthM = table.Column<double>(type: "REAL", nullable: true),
                    StatedBackingM = table.Column<double>(type: "REAL", nullable: true),
                    StatedBacking = table.Column<string>(type: "TEXT", nullable: true),
                    MassKg = table.Column<double>(type: "REAL", nullable: false),
                    SaltProof = table.Column<bool>(type: "INTEGER", nullable: false),
                    DragN = table.Column<double>(type: "REAL", nullable: true),
                    Note = table.Column<string>(type: "TEXT", nullable: true),
                    DeletedAt = table.Column<DateTime>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Reels", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Rods",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Tag = table.Column<string>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    LengthM = table.Column<double>(type: "REAL", nullable: false),
                    PrintedClass = table.Column<double>(type: "REAL", nullable: true),
                    MeasuredClass = table.Column<double>(type: "REAL", nullable: true),
                    MeasuredPlusMinus = table.Column<double>(type: "REAL", nullable: true),
                    ActionAngleDeg = table.Column<double>(type: "REAL", nullable: true),
                    PrintedAction = table.Column<string>(type: "TEXT", nullable: true),
                    MassKg = table.Column<double>(type: "REAL", nullable: false),
                    Pieces = table.Column<int>(type: "INTEGER", nullable: false),
                    Note = table.Column<string>(type: "TEXT", nullable: true),
                    DeletedAt = table.Column<DateTime>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Rods", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Lines_Tag",
                table: "Lines",
                column: "Tag",
                unique: true,
                filter: "\"DeletedAt\" IS NULL");

            migrationBuilder.CreateIndex(
                name: "IX_Reels_Tag",
                table: "Reels",
                column: "Tag",
                unique: true,
                filter: "\"DeletedAt\" IS NULL");

            migrationBuilder.CreateIndex(
                name: "IX_Rods_Tag",
                table: "Rods",
                column: "Tag",
                unique: true,
                filter: "\"DeletedAt\" IS NULL");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Briefs");

            migrationBuilder.DropTable(
                name: "Lines");

            migrationBuilder.DropTable(
                name: "Reels");

            migrationBuilder.DropTable(
                name: "Rods");
        }
    }
}
