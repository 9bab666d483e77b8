"""Sheets on paper: what to prepare, and how the table is laid."""

from core.paper.prep import PrepBlock, kit_of, prep_sheet
from core.paper.table_layout import Stands

__all__ = ["PrepBlock", "Stands", "kit_of", "prep_sheet"]
