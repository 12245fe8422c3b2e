package zapateo.server;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;
import zapateo.arrangement.Arranger;
import zapateo.rhythm.FigureBook;

/** The web application round the core. It keeps nothing of a player in memory between requests. */
@SpringBootApplication
public class ZapateoServer {

    public static void main(String[] args) {
        SpringApplication.run(ZapateoServer.class, args);
    }

    @Bean
    FigureBook figureBook() {
        return FigureBook.open();
    }

    @Bean
    Arranger arranger(FigureBook book) {
        return new Arranger(book);
    }
}
