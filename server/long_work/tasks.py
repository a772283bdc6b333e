"""What workers do: the queue's own tasks, kept by PostgreSQL and carried out one at a time."""

from django.db import InterfaceError, OperationalError
from procrastinate import JobContext, RetryStrategy
from procrastinate.contrib.django import app
from procrastinate.exceptions import JobAborted

from server.long_work.services import CARRY_OUT, carry_out, forget

__all__ = ["carry_out_work", "forget_old_work", "take_up_lost_work"]


# Neither is the work's own fault: the worker is ending, or the database has gone under it.
_NOT_ITS_FAULT = [JobAborted, OperationalError, InterfaceError]


@app.task(
    name=CARRY_OUT,
    pass_context=True,
    retry=RetryStrategy(retry_exceptions=_NOT_ITS_FAULT, wait=1, max_attempts=20),
)
def carry_out_work(context: JobContext, work: int) -> None:
    if not carry_out(work, context.should_abort):
        raise JobAborted


@app.periodic(cron="* * * * *")
@app.task(name="take up lost work", queueing_lock="take up lost work", pass_context=True)
async def take_up_lost_work(context: JobContext, timestamp: int) -> None:
    """A worker that was killed leaves its work behind; another one begins it anew."""
    for job in await context.app.job_manager.get_stalled_jobs():
        await context.app.job_manager.retry_job(job)


@app.periodic(cron="17 3 * * *")
@app.task(name="forget old work", queueing_lock="forget old work")
def forget_old_work(timestamp: int) -> None:
    forget()
