"""Sheets to print, as pages and as PDF."""
