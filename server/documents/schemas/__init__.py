"""What the API of documents takes and answers, by what it is about."""
