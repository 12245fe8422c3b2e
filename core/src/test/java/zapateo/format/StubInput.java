package zapateo.format;

import java.io.InputStream;
import java.io.Reader;
import org.w3c.dom.ls.LSInput;

/** A schema's import, read from beside the tests instead of from the net. */
record StubInput(InputStream stream, String systemId) implements LSInput {

    @Override
    public Reader getCharacterStream() {
        return null;
    }

    @Override
    public void setCharacterStream(Reader reader) {
        throw new IllegalStateException("read only");
    }

    @Override
    public InputStream getByteStream() {
        return stream;
    }

    @Override
    public void setByteStream(InputStream input) {
        throw new IllegalStateException("read only");
    }

    @Override
    public String getStringData() {
        return null;
    }

    @Override
    public void setStringData(String data) {
        throw new IllegalStateException("read only");
    }

    @Override
    public String getSystemId() {
        return systemId;
    }

    @Override
    public void setSystemId(String id) {
        throw new IllegalStateException("read only");
    }

    @Override
    public String getPublicId() {
        return null;
    }

    @Override
    public void setPublicId(String id) {
        throw new IllegalStateException("read only");
    }

    @Override
    public String getBaseURI() {
        return null;
    }

    @Override
    public void setBaseURI(String uri) {
        throw new IllegalStateException("read only");
    }

    @Override
    public String getEncoding() {
        return null;
    }

    @Override
    public void setEncoding(String encoding) {
        throw new IllegalStateException("read only");
    }

    @Override
    public boolean getCertifiedText() {
        return false;
    }

    @Override
    public void setCertifiedText(boolean certified) {
        throw new IllegalStateException("read only");
    }
}
