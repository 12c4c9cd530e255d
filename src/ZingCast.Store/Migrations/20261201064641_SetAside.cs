using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace ZingCast.Store.Migrations
{
    /// <inheritdoc />
    public partial class SetAside : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "SetAside",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    List = table.Column<string>(type: "TEXT", nullable: false),
                    Row = table.Column<int>(type: "INTEGER", nullable: false),
                    Named = table.Column<string>(type: "TEXT", nullable: false),
                    Why = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Columns = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_SetAside", x => x.Id);
                });

            // Names stand on one line; where a name need not be the only one of its kind it is put right.
            (string Table, string Column)[] names =
            [
                ("Rods", "Name"),
                ("Lines", "Name"),
                ("Reels", "Name"),
                ("Scraps", "Name"),
                ("LeaderSpools", "Name"),
                ("TiedLeaders", "Name"),
                ("Briefs", "Name"),
                ("Trips", "Name"),
                ("Rods", "Owner"),
                ("Lines", "Owner"),
                ("Reels", "Owner"),
                ("Outings", "Place"),
            ];
            foreach (var (table, column) in names)
                migrationBuilder.Sql(
                    $"""update "{table}" set "{column}" = replace(replace(replace("{column}", char(10), ' '), char(13), ' '), char(9), ' ') where "{column}" glob '*[' || char(10) || char(13) || char(9) || ']*';"""
                );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "SetAside");
        }
    }
}
