"""A revision that has been written stays as it is, whatever the code above tries."""

from django.db import migrations

GUARD = """
CREATE FUNCTION refuse_revision_change() RETURNS trigger AS $$
BEGIN
  RAISE EXCEPTION 'a revision never changes; write a new one';
END $$ LANGUAGE plpgsql;
CREATE TRIGGER revisions_never_change BEFORE UPDATE OR DELETE ON documents_revision
  FOR EACH ROW EXECUTE FUNCTION refuse_revision_change();
"""
UNGUARD = """
DROP TRIGGER revisions_never_change ON documents_revision;
DROP FUNCTION refuse_revision_change();
"""


class Migration(migrations.Migration):
    dependencies = [("documents", "0001_initial")]
    operations = [migrations.RunSQL(GUARD, UNGUARD)]
