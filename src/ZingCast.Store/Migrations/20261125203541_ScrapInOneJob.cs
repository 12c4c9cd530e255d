using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace ZingCast.Store.Migrations
{
    /// <inheritdoc />
    public partial class ScrapInOneJob : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "TakenApart",
                table: "CutJobs",
                type: "TEXT",
                nullable: false,
                defaultValueSql: "'[]'");

            migrationBuilder.CreateTable(
                name: "ScrapsInJobs",
                columns: table => new
                {
                    ScrapId = table.Column<int>(type: "INTEGER", nullable: false),
                    JobId = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_ScrapsInJobs", x => x.ScrapId);
                });

            migrationBuilder.CreateIndex(
                name: "IX_ScrapsInJobs_JobId",
                table: "ScrapsInJobs",
                column: "JobId");

            // What finished heads are made of first; of two jobs that once took the same scrap the earlier keeps it.
            migrationBuilder.Sql("""
                insert or ignore into "ScrapsInJobs" ("ScrapId", "JobId")
                select json_extract(piece.value, '$.scrapId'), job."Id" from "CutJobs" job, json_each(job."Pieces") piece
                where job."LineId" is not null or job."DeletedAt" is null order by job."LineId" is null, job."Id";
                """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "ScrapsInJobs");

            migrationBuilder.DropColumn(
                name: "TakenApart",
                table: "CutJobs");
        }
    }
}
