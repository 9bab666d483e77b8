"""Sheets on paper: what to prepare."""

from core.paper.prep import PrepBlock, kit_of, prep_sheet

__all__ = ["PrepBlock", "kit_of", "prep_sheet"]
