using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace ZingCast.Store.Migrations
{
    /// <inheritdoc />
    public partial class Trips : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<DateOnly>(
                name: "BoughtOn",
                table: "TiedLeaders",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Condition",
                table: "TiedLeaders",
                type: "TEXT",
                nullable: false,
                defaultValue: "Good");

            migrationBuilder.AddColumn<string>(
                name: "Owner",
                table: "TiedLeaders",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "Price",
                table: "TiedLeaders",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<DateOnly>(
                name: "ServicedOn",
                table: "TiedLeaders",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<DateOnly>(
                name: "BoughtOn",
                table: "Scraps",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Condition",
                table: "Scraps",
                type: "TEXT",
                nullable: false,
                defaultValue: "Good");

            migrationBuilder.AddColumn<string>(
                name: "Owner",
                table: "Scraps",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "Price",
                table: "Scraps",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<DateOnly>(
                name: "ServicedOn",
                table: "Scraps",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<DateOnly>(
                name: "BoughtOn",
                table: "Rods",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Condition",
                table: "Rods",
                type: "TEXT",
                nullable: false,
                defaultValue: "Good");

            migrationBuilder.AddColumn<string>(
                name: "Owner",
                table: "Rods",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "Price",
                table: "Rods",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<DateOnly>(
                name: "ServicedOn",
                table: "Rods",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<DateOnly>(
                name: "BoughtOn",
                table: "Reels",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Condition",
                table: "Reels",
                type: "TEXT",
                nullable: false,
                defaultValue: "Good");

            migrationBuilder.AddColumn<string>(
                name: "Owner",
                table: "Reels",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "Price",
                table: "Reels",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<DateOnly>(
                name: "ServicedOn",
                table: "Reels",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<DateOnly>(
                name: "BoughtOn",
                table: "Lines",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Condition",
                table: "Lines",
                type: "TEXT",
                nullable: false,
                defaultValue: "Good");

            migrationBuilder.AddColumn<string>(
                name: "Owner",
                table: "Lines",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "Price",
                table: "Lines",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<DateOnly>(
                name: "ServicedOn",
                table: "Lines",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<DateOnly>(
                name: "BoughtOn",
                table: "LeaderSpools",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Condition",
                table: "LeaderSpools",
                type: "TEXT",
                nullable: false,
                defaultValue: "Good");

            migrationBuilder.AddColumn<string>(
                name: "Owner",
                table: "LeaderSpools",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "Price",
                table: "LeaderSpools",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<DateOnly>(
                name: "ServicedOn",
                table: "LeaderSpools",
                type: "TEXT",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "Trips",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    LeavesOn = table.Column<DateOnly>(type: "TEXT", nullable: true),
                    Days = table.Column<string>(type: "TEXT", nullable: false),
                    Limits = table.Column<string>(type: "TEXT", nullable: false),
                    Held = table.Column<string>(type: "TEXT", nullable: false),
                    Packed = table.Column<string>(type: "TEXT", nullable: false),
                    Back = table.Column<string>(type: "TEXT", nullable: false),
                    DeletedAt = table.Column<DateTime>(type: "TEXT", nullable: true),
                    Version = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Trips", x => x.Id);
                });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Trips");

            migrationBuilder.DropColumn(
                name: "BoughtOn",
                table: "TiedLeaders");

            migrationBuilder.DropColumn(
                name: "Condition",
                table: "TiedLeaders");

            migrationBuilder.DropColumn(
                name: "Owner",
                table: "TiedLeaders");

            migrationBuilder.DropColumn(
                name: "Price",
                table: "TiedLeaders");

            migrationBuilder.DropColumn(
                name: "ServicedOn",
                table: "TiedLeaders");

            migrationBuilder.DropColumn(
                name: "BoughtOn",
                table: "Scraps");

            migrationBuilder.DropColumn(
                name: "Condition",
                table: "Scraps");

            migrationBuilder.DropColumn(
                name: "Owner",
                table: "Scraps");

            migrationBuilder.DropColumn(
                name: "Price",
                table: "Scraps");

            migrationBuilder.DropColumn(
                name: "ServicedOn",
                table: "Scraps");

            migrationBuilder.DropColumn(
                name: "BoughtOn",
                table: "Rods");

            migrationBuilder.DropColumn(
                name: "Condition",
                table: "Rods");

            migrationBuilder.DropColumn(
                name: "Owner",
                table: "Rods");

            migrationBuilder.DropColumn(
                name: "Price",
                table: "Rods");

            migrationBuilder.DropColumn(
                name: "ServicedOn",
                table: "Rods");

            migrationBuilder.DropColumn(
                name: "BoughtOn",
                table: "Reels");

            migrationBuilder.DropColumn(
                name: "Condition",
                table: "Reels");

            migrationBuilder.DropColumn(
                name: "Owner",
                table: "Reels");

            migrationBuilder.DropColumn(
                name: "Price",
                table: "Reels");

            migrationBuilder.DropColumn(
                name: "ServicedOn",
                table: "Reels");

            migrationBuilder.DropColumn(
                name: "BoughtOn",
                table: "Lines");

            migrationBuilder.DropColumn(
                name: "Condition",
                table: "Lines");

            migrationBuilder.DropColumn(
                name: "Owner",
                table: "Lines");

            migrationBuilder.DropColumn(
                name: "Price",
                table: "Lines");

            migrationBuilder.DropColumn(
                name: "ServicedOn",
                table: "Lines");

            migrationBuilder.DropColumn(
                name: "BoughtOn",
                table: "LeaderSpools");

            migrationBuilder.DropColumn(
                name: "Condition",
                table: "LeaderSpools");

            migrationBuilder.DropColumn(
                name: "Owner",
                table: "LeaderSpools");

            migrationBuilder.DropColumn(
                name: "Price",
                table: "LeaderSpools");

            migrationBuilder.DropColumn(
                name: "ServicedOn",
                table: "LeaderSpools");
        }
    }
}
