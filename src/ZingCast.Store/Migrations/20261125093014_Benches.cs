using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace ZingCast.Store.Migrations
{
    /// <inheritdoc />
    public partial class Benches : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Balance",
                table: "Rods",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Bend",
                table: "Rods",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Inspections",
                table: "Rods",
                type: "TEXT",
                nullable: false,
                defaultValueSql: "'[]'");

            migrationBuilder.AddColumn<string>(
                name: "Test",
                table: "Rods",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "HeadPlusMinusKg",
                table: "Lines",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Measured",
                table: "Lines",
                type: "TEXT",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "Calibrations",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    PlusMinus = table.Column<double>(type: "REAL", nullable: false),
                    Points = table.Column<string>(type: "TEXT", nullable: false),
                    DeletedAt = table.Column<DateTime>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Calibrations", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "CutJobs",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Target = table.Column<string>(type: "TEXT", nullable: false),
                    Pieces = table.Column<string>(type: "TEXT", nullable: false),
                    Steps = table.Column<string>(type: "TEXT", nullable: false),
                    BegunAt = table.Column<DateTime>(type: "TEXT", nullable: false),
                    LineId = table.Column<int>(type: "INTEGER", nullable: true),
                    Version = table.Column<int>(type: "INTEGER", nullable: false),
                    DeletedAt = table.Column<DateTime>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_CutJobs", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Scraps",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Tag = table.Column<string>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    LengthM = table.Column<double>(type: "REAL", nullable: false),
                    MassKg = table.Column<double>(type: "REAL", nullable: false),
                    TaperM = table.Column<double>(type: "REAL", nullable: false),
                    TipShare = table.Column<double>(type: "REAL", nullable: false),
                    Density = table.Column<string>(type: "TEXT", nullable: false),
                    Measured = table.Column<string>(type: "TEXT", nullable: true),
                    Note = table.Column<string>(type: "TEXT", nullable: true),
                    DeletedAt = table.Column<DateTime>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Scraps", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Calibrations_Name",
                table: "Calibrations",
                column: "Name",
                unique: true,
                filter: "\"DeletedAt\" IS NULL");

            migrationBuilder.CreateIndex(
                name: "IX_Scraps_Tag",
                table: "Scraps",
                column: "Tag",
                unique: true,
                filter: "\"DeletedAt\" IS NULL");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Calibrations");

            migrationBuilder.DropTable(
                name: "CutJobs");

            migrationBuilder.DropTable(
                name: "Scraps");

            migrationBuilder.DropColumn(
                name: "Balance",
                table: "Rods");

            migrationBuilder.DropColumn(
                name: "Bend",
                table: "Rods");

            migrationBuilder.DropColumn(
                name: "Inspections",
                table: "Rods");

            migrationBuilder.DropColumn(
                name: "Test",
                table: "Rods");

            migrationBuilder.DropColumn(
                name: "HeadPlusMinusKg",
                table: "Lines");

            migrationBuilder.DropColumn(
                name: "Measured",
                table: "Lines");
        }
    }
}
