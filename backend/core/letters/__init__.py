"""Letters built from straight and arc pieces, in writing order."""

from core.letters.pieces import PIECES, USUAL_KIT, Build, LetterError, build, pieces_for
from core.letters.strokes import stroke_of, width_of

__all__ = ["PIECES", "USUAL_KIT", "Build", "LetterError", "build", "pieces_for", "stroke_of", "width_of"]
