"""Work for the background: one task a child, so that several workers share a caseload."""

from django.utils import timezone
from procrastinate import JobContext
from procrastinate.contrib.django import app

from planning.batch_actions import plan_line
from planning.models import BatchLine


@app.task(name="plan_child", retry=2)
def plan_child(line_id: int) -> None:
    """Make the plan of one line of a batch; a line whose child or batch has gone since needs none."""
    line = BatchLine.objects.select_related("batch__clinic").filter(pk=line_id).first()
    if line is not None:
        with timezone.override(line.batch.clinic.time_zone):
            plan_line(line_id)


@app.periodic(cron="* * * * *")
@app.task(name="retry_stalled_jobs", queueing_lock="retry_stalled_jobs", pass_context=True)
async def retry_stalled_jobs(context: JobContext, timestamp: int) -> None:
    """Once a minute, hand out again what a worker that was killed had taken and never finished."""
    manager = context.app.job_manager
    for job in await manager.get_stalled_jobs():
        await manager.retry_job(job)
