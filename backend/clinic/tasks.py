"""What the background clears away for everybody."""

from datetime import timedelta

from django.utils import timezone
from procrastinate.contrib.django import app

from clinic.models import Answered

KEPT = timedelta(days=2)  # how long an answer is given again; nothing is sent again later than that


@app.periodic(cron="20 3 * * *")
@app.task(name="forget_answers", queueing_lock="forget_answers")
def forget_answers(timestamp: int) -> None:
    """Every night, delete the answers nobody will ask for any more."""
    Answered.objects.filter(at__lt=timezone.now() - KEPT).delete()
