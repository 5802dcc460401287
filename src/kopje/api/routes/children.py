"""A child's page, and the report on it."""

from __future__ import annotations

from typing import Annotated, Literal
from uuid import UUID

from fastapi import APIRouter, Query, Response

from kopje.api.deps import Provided, Work
from kopje.api.problems import answers
from kopje.api.schemas.children import (
    CareBody,
    ChildPageRead,
    FoundChildRead,
    ReportBody,
    ReportRead,
    ReportWordRead,
    ReportWordsBody,
)
from kopje.engraving.printing import Paper
from kopje.formats.tables import write_table
from kopje.usecases.ledger import read_child, report_child
from kopje.usecases.setup import privacy

router = APIRouter(tags=["children"])
Letters = Annotated[str, Query(min_length=1, max_length=60, examples=["am"])]


@router.get("/children", operation_id="findChildren", summary="Children by the letters of their names")
def get_children(text: Letters, ctx: Work) -> list[FoundChildRead]:
    return [FoundChildRead.of(child, section) for child, section in read_child.find(ctx, text)]


@router.get("/reports", operation_id="reportChildren", summary="Whom there are reports of, by class")
def get_report_children(ctx: Work) -> list[FoundChildRead]:
    """Everybody on a roll today, and nothing about them but name and class."""
    return [FoundChildRead.of(child, section) for child, section in read_child.everybody(ctx)]


@router.get("/children/{child_id}", operation_id="child", summary="How far a child is, and what shows it")
def get_child(child_id: UUID, ctx: Work, services: Provided) -> ChildPageRead:
    """That it was looked at is in the list of who looked."""
    found = read_child.child_now(ctx, child_id)
    privacy.looked(services.work, ctx, "child_looked_at", child_id)
    return ChildPageRead.of(found, ctx.words)


@router.put(
    "/children/{child_id}/care", operation_id="careForChild", summary="How a child is named and spared"
)
def put_care(child_id: UUID, body: CareBody, ctx: Work) -> ChildPageRead:
    read_child.care(ctx, child_id, body.say, body.without)
    return ChildPageRead.of(read_child.child_now(ctx, child_id), ctx.words)


@router.get("/children/{child_id}/report", operation_id="childReport", summary="The report on a child")
def get_report(child_id: UUID, ctx: Work, services: Provided) -> ReportRead:
    found = report_child.report(ctx, child_id)
    privacy.looked(services.work, ctx, "child_looked_at", child_id)
    return ReportRead.of(found)


@router.put("/children/{child_id}/report", operation_id="keepReport", summary="Keep a report in these words")
def put_report(child_id: UUID, body: ReportBody, ctx: Work) -> ReportRead:
    """Under the next number; what was kept before stays."""
    return ReportRead.of(report_child.keep(ctx, child_id, body.blocks))


@router.get(
    "/children/{child_id}/report/print",
    operation_id="printReport",
    summary="The report on a child as PDF",
    response_class=Response,
    responses=answers("application/pdf"),
)
def get_report_print(child_id: UUID, ctx: Work, services: Provided, paper: Paper = "A4") -> Response:
    sheet = report_child.sheet(ctx, report_child.report(ctx, child_id))
    privacy.looked(services.work, ctx, "report_taken_out", child_id)
    return Response(services.printer.pdf([sheet], paper), media_type="application/pdf")


@router.get(
    "/sections/{section_id}/reports",
    operation_id="sectionReports",
    summary="The reports of a section, one page a child, as PDF, CSV or JSON",
    response_class=Response,
    responses=answers("application/pdf", "text/csv", "application/json"),
)
def get_reports(
    section_id: UUID,
    ctx: Work,
    services: Provided,
    kind: Literal["pdf", "csv", "json"] = "pdf",
    paper: Paper = "A4",
) -> Response:
    found = report_child.of_section(ctx, section_id)
    for one in found:
        privacy.looked(services.work, ctx, "report_taken_out", one.child.id)
    if kind == "pdf":
        sheets = [report_child.sheet(ctx, one) for one in found]
        return Response(services.printer.pdf(sheets, paper), media_type="application/pdf")
    name = f"reports-{ctx.today.isoformat()}.{kind}"
    headers = {"Content-Disposition": f'attachment; filename="{name}"'}
    if kind == "csv":
        return Response(write_table(*report_child.table(ctx, found)), media_type="text/csv", headers=headers)
    text = ",".join(ReportRead.of(one).model_dump_json() for one in found)
    return Response(f"[{text}]", media_type="application/json", headers=headers)


def _words(found: dict[str, tuple[str, str]], heading: dict[str, str]) -> list[ReportWordRead]:
    return [
        ReportWordRead.model_validate({"key": key, "heading": heading[key], "own": own, "shipped": shipped})
        for key, (own, shipped) in found.items()
    ]


@router.get("/report-words", operation_id="reportWords", summary="The school's own sentences in reports")
def get_words(ctx: Work) -> list[ReportWordRead]:
    return _words(report_child.words(ctx), report_child.headings(ctx))


@router.put("/report-words", operation_id="setReportWords", summary="Say how the school says it in reports")
def put_words(body: ReportWordsBody, ctx: Work) -> list[ReportWordRead]:
    """Reports that were kept before stay as they are."""
    return _words(report_child.set_words(ctx, body.words), report_child.headings(ctx))
