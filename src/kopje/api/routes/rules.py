"""The school's own numbers in the rules of the ledger."""

from __future__ import annotations

from fastapi import APIRouter

from kopje.api.deps import Work
from kopje.api.schemas.rules import RulesBody, RulesRead, WouldChangeRead
from kopje.usecases.ledger import change_rules

router = APIRouter(tags=["ledger"])


@router.get("/ledger-rules", operation_id="ledgerRules", summary="The numbers in the rules of the ledger")
def get_rules(ctx: Work) -> RulesRead:
    return RulesRead.of(ctx.rules)


@router.post("/ledger-rules/preview", operation_id="previewRules", summary="What other rules would change")
def post_preview(body: RulesBody, ctx: Work) -> WouldChangeRead:
    """Nothing is kept."""
    return WouldChangeRead.of(change_rules.preview(ctx, body.model_dump()))


@router.put("/ledger-rules", operation_id="setRules", summary="Change the rules of the ledger")
def put_rules(body: RulesBody, ctx: Work) -> RulesRead:
    """Every standing is worked out anew from the same marks."""
    return RulesRead.of(change_rules.change(ctx, body.model_dump()))
