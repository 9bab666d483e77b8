"""The rules and the computation: plain values in, plain values out; no Django, no clock, no files."""
